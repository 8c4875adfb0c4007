/** Work that nobody waits for: done once over all instances of a database, and again by another where one breaks off. */
package palegate.server.jobs;
