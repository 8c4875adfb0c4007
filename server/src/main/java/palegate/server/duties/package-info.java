/** Who administers what: the register of duties, and what handing one out would show. */
package palegate.server.duties;
