package palegate.core.bundle;

/** JSON pointers, RFC 6901. */
final class Pointers {
  private Pointers() {}

  static String escape(String key) {
    return key.replace("~", "~0").replace("/", "~1");
  }
}
