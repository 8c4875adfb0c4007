/** The application's frame: start, security, errors, the pages. */
package palegate.server.shell;
