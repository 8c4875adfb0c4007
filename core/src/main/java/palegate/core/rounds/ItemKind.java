package palegate.core.rounds;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What a reviewer can be asked about. */
public enum ItemKind {
  /** That a person or a group is in a group. */
  MEMBERSHIP("membership"),
  /** That a grant gives a role to somebody at a place. */
  GRANT("grant"),
  /** That somebody oversees a place. */
  OVERSIGHT("oversight"),
  /** That a wall does not bar somebody whom it would bar. */
  EXCEPTION("exception to a wall"),
  /** That somebody is cleared for a guarded type. */
  CLEARANCE("clearance"),
  /** That somebody administers something. */
  DUTY("duty"),
  /** What a person has at a place, by whatever way. */
  ACCESS("access"),
  /** That whoever a pass is for can let themselves in. */
  PASS("pass");

  private final String words;

  ItemKind(String words) {
    this.words = words;
  }

  public String words() {
    return words;
  }

  /** Whether it stands at a place; everything else is of the whole repository. */
  public boolean atPlaces() {
    return this == GRANT || this == OVERSIGHT || this == ACCESS || this == PASS;
  }

  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  public static Optional<ItemKind> parse(String word) {
    return Arrays.stream(values()).filter(kind -> kind.word().equals(word)).findFirst();
  }
}
