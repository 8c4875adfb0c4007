package palegate.core.testkit;

/**
 * How often what is random is tried. An ordinary run tries half of it, so that all tests together stay within their time on two
 * processors; {@code ./palegate test thorough} tries all.
 */
public final class Often {
  private static final boolean THOROUGH = Boolean.getBoolean("palegate.thorough");

  private Often() {}

  public static int times(int thorough) {
    return times(thorough, thorough / 2);
  }

  /** @param usual of what takes longest, fewer than half */
  public static int times(int thorough, int usual) {
    return THOROUGH ? thorough : usual;
  }
}
