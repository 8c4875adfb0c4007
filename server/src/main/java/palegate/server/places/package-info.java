/** The tree of places, one place, its access list and its people. */
package palegate.server.places;
