/** What places say about sharing, passes, and what sharing proposes (access rules, sections 11 and 12). */
package palegate.core.sharing;
