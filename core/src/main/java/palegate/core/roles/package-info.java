/** Rights and roles: the nine things a person may do, and named sets of them (access rules, section 3). */
package palegate.core.roles;
