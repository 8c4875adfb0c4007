/**
 * The stages of evaluation (access rules, section 6): one class each, in one pipeline. A stage works
 * for one person and for everyone at once; a test holds the two to the same answer. Sets of rights are
 * masks here, as in {@link palegate.core.roles.Rights#mask}: this is the innermost loop of every answer.
 */
package palegate.core.access.stages;
