/** Questions typed in plain words: read, and the things that they name found (docs/questions.md). */
package palegate.core.asking;
