/** Changes, drafts and their rehearsal (access rules, section 8). */
package palegate.core.drafts;
