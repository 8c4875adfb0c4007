/** The open bundle format: reading, validating, writing. */
package palegate.core.bundle;
