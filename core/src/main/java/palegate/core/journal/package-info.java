/** What changed between two states of one history, and which change did it (access rules, section 8). */
package palegate.core.journal;
