/** Which drafts a second person must approve (access rules, section 8). */
package palegate.core.approvals;
