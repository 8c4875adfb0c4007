/** Letting others in: sharing and passes as everybody has them, and the register of what is shared. */
package palegate.server.shares;
