/** Bundles into and out of the running database. */
package palegate.server.bundle;
