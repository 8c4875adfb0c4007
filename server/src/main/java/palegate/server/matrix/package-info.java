/** Subjects against places and types: heads, cells, outliers, many cells at once, named views and files. */
package palegate.server.matrix;
