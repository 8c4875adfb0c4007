/** What was put in force, by whom, when and why, with the content before and after. */
package palegate.server.journal;
