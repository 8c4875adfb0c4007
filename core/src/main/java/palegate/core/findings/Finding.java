package palegate.core.findings;

/**
 * Something a careful person would want to know about a structure, though it is not wrong.
 *
 * @param thing what it is about: kind and id
 * @param what what was found, naming names
 */
public record Finding(String thing, String what) {}
