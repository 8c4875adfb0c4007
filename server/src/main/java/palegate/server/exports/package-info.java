/** Sends files. */
package palegate.server.exports;
