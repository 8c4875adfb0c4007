/** Ethical walls: register and page of each, what one would do before it is raised, what seems to be missing, and its proofs (access rules, section 7). */
package palegate.server.walls;
