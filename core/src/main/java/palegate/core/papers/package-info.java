/** The repository as one person has it: what they can find, and what they may do with it (access rules, section 6). */
package palegate.core.papers;
