/** What a text, an id and an instant may be: the same rule and the same sentence for every way in. Knows nothing of access. */
package palegate.core.text;
