/** The whole permission structure as one immutable value. */
package palegate.core.structure;
