/** Document types, for narrowing. */
package palegate.server.types;
