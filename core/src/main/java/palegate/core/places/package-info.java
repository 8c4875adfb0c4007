/** Places of the repository tree (access rules, section 2). */
package palegate.core.places;
