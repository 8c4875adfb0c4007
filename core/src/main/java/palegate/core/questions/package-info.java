/** Who can, what can, and what stands in an access list. */
package palegate.core.questions;
