/** The draft of each administrator: changes, rehearsal, putting in force. */
package palegate.server.drafts;
