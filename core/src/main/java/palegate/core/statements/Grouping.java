package palegate.core.statements;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** How the rows of people at places are put together. */
public enum Grouping {
  /** Places where the same people have the same rights are one: a line for each set of rights there. */
  SAME,
  PLACE,
  PERSON,
  /** By whom an entry names: a group, a unit, a person. */
  SUBJECT,
  ROLE,
  /** One row for each person and place, with how. */
  NONE;

  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  public static Optional<Grouping> parse(String word) {
    return Arrays.stream(values()).filter(one -> one.word().equals(word)).findFirst();
  }
}
