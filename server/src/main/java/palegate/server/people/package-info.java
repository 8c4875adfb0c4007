/** Finding people and subjects. */
package palegate.server.people;
