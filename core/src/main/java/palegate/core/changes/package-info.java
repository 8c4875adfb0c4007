/** Changes of a structure: what each kind is, how it is written down, and how drafts of them are made (access rules, section 8). */
package palegate.core.changes;
