/** The why panel's answers. */
package palegate.server.access;
