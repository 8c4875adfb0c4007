/** Tells open pages that somebody has put a change in force. */
package palegate.server.updates;
