/** Ethical walls: whom they bar from what (access rules, section 7). */
package palegate.core.walls;
