/** Reports on screen and as files. */
package palegate.server.statements;
