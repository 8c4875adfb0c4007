/** Drafts as their owners see them: the one in hand, and those that are kept. */
package palegate.server.tray;
