/** What it would take to give or take a right, with the side effects of each way. */
package palegate.core.ways;
