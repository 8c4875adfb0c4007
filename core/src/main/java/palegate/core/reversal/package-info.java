/** What undoes a change that has been put in force (access rules, section 8). */
package palegate.core.reversal;
