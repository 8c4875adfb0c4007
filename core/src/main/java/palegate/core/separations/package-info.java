/** What no one person may hold together (access rules, section 13). */
package palegate.core.separations;
