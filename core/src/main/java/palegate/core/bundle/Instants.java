package palegate.core.bundle;

import java.time.Instant;
import java.util.Locale;

/** Instants of the bundle: RFC 3339 in UTC. */
final class Instants {
  private Instants() {}

  /** Throws {@link java.time.DateTimeException} for a day or time that does not exist. */
  static Instant parse(String text) {
    return Instant.parse(text.toUpperCase(Locale.ROOT).replace("+00:00", "Z"));
  }
}
