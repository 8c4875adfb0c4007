/** The repository exactly as one person has it, looked at by somebody who may (access rules, sections 6 and 9). */
package palegate.core.walk;
