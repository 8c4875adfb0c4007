/** Files from rows: workbook, CSV, JSON. */
package palegate.server.exports;
