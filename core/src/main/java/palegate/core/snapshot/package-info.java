/** The structure compiled for fast answers: dense numbers, bitmaps of people, access classes. */
package palegate.core.snapshot;
