package palegate.server.testkit;

/**
 * How often what is random is tried. An ordinary run tries a part of it, so that all tests together stay within their time on two
 * processors; {@code ./palegate test thorough} tries all.
 */
public final class Often {
  private static final boolean THOROUGH = Boolean.getBoolean("palegate.thorough");

  private Often() {}

  public static int times(int thorough, int usual) {
    return THOROUGH ? thorough : usual;
  }
}
