/** Changes as they are sent and answered: what they are made of is said in the core, once. */
package palegate.server.changes;
