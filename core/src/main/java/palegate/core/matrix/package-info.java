/** Subjects against places or document types: what each cell gives, which cells depart from those beside them, and changing many at once. */
package palegate.core.matrix;
