/** Files from rows, and rows from files: workbook, CSV, JSON, PDF. Knows nothing of servers and databases. */
package palegate.exports;
