/** Whose agreement a draft needs, and the rules that say so (access rules, section 8). */
package palegate.server.approvals;
