/** The database as history: loading the structure as of a change, writing a change. */
package palegate.server.store;
