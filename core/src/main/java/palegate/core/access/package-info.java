/** What an access list says and what it means: entries, the stages of evaluation and the explanation (sections 4 and 6). */
package palegate.core.access;
