package palegate.server.shell;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Pattern;

/** How large the body of a request may be, by its address: known before anything of it is read. */
final class BodyLimits {
  private static final long KILO = 1024;
  private static final long OTHERWISE = 256 * KILO;
  private static final Map<Pattern, Long> BY_ADDRESS = new LinkedHashMap<>();

  static {
    BY_ADDRESS.put(Pattern.compile("/api/session(/.*)?|/api/invitations(/.*)?"), 4 * KILO);
    BY_ADDRESS.put(Pattern.compile("/api/places/[^/]+/content"), 2 * KILO * KILO);
    BY_ADDRESS.put(Pattern.compile("/api/statements/verification|/api/reviews/[^/]+/return"), 16 * KILO * KILO);
    BY_ADDRESS.put(Pattern.compile("/api/draft/changes/many|/api/draft/preview(/people)?"), 8 * KILO * KILO);
    // 5,000 cells, each with the longest of ids.
    BY_ADDRESS.put(Pattern.compile("/api/matrix/ways"), 4 * KILO * KILO);
    BY_ADDRESS.put(Pattern.compile("/api/places/[^/]+/outline|/api/people/matches"), 4 * KILO * KILO);
  }

  private BodyLimits() {}

  static long of(String address) {
    return BY_ADDRESS.entrySet().stream().filter(limit -> limit.getKey().matcher(address).matches()).map(Map.Entry::getValue).findFirst().orElse(OTHERWISE);
  }

  static boolean isSignIn(String address) {
    return address.equals("/api/session") || address.equals("/api/invitations/redemption");
  }

  static String words(long bytes) {
    return bytes >= KILO * KILO ? bytes / KILO / KILO + " MB" : bytes / KILO + " KB";
  }
}
