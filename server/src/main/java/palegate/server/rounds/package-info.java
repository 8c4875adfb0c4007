/** Reviews that come back: rounds, and the items of each reviewer. */
package palegate.server.rounds;
