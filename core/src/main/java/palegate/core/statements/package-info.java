/** The rows of each report; no file formats. */
package palegate.core.statements;
