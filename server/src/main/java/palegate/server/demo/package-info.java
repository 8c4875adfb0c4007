/** Sets up the demo in an empty database. */
package palegate.server.demo;
