/** People, units, groups and who matches a subject (access rules, section 1). */
package palegate.core.people;
