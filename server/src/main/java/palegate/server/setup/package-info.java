/** The beginning of an empty repository: one place, and somebody who governs it. */
package palegate.server.setup;
