/** Document types and their fields (access rules, section 2). */
package palegate.core.types;
