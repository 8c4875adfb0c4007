/** The repository exactly as one person has it, without their password, in a frame in which nothing can be done (access rules, sections 6 and 9). */
package palegate.server.walk;
