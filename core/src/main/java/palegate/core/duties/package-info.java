/** Who may administer what (access rules, section 9). */
package palegate.core.duties;
