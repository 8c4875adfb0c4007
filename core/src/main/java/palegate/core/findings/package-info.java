/** What a careful person would want to know about a structure. */
package palegate.core.findings;
