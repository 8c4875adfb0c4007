/** Signing in and out, and what an account may do. */
package palegate.server.session;
