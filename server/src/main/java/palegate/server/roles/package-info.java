/** Roles, for choosing one. */
package palegate.server.roles;
