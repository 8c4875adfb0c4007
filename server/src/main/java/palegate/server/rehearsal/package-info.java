/** What a draft would do, as lists: every number of the tray opened to what it counts. */
package palegate.server.rehearsal;
