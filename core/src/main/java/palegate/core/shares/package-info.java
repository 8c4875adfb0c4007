/** Letting others in up to one's own rights, passes, and who is in by them (access rules, sections 11 and 12). */
package palegate.core.shares;
