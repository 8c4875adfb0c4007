package palegate.core.roles;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** One of the nine rights, in the order in which they are always shown (access rules, section 3). */
public enum Right {
  FIND(null),
  READ(FIND),
  COPY(READ),
  ADD(FIND),
  DESCRIBE(FIND),
  REVISE(READ),
  DELETE(FIND),
  SHARE(READ),
  GOVERN(FIND);

  private final Right need;

  Right(Right need) {
    this.need = need;
  }

  /** The one right that this right directly needs; only {@link #FIND} needs none. */
  public Optional<Right> need() {
    return Optional.ofNullable(need);
  }

  /** The word used in bundles, the API and the interface. */
  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  /** The words of all rights, in the fixed order. */
  public static List<String> words() {
    return Arrays.stream(values()).map(Right::word).toList();
  }

  /** The right with this word, if there is one; words are lower case. */
  public static Optional<Right> parse(String word) {
    for (Right right : values()) {
      if (right.word().equals(word)) {
        return Optional.of(right);
      }
    }
    return Optional.empty();
  }
}
