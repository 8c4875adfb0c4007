package palegate.core.statements;

import java.time.Instant;
import java.time.format.DateTimeParseException;
import java.util.Optional;
import palegate.core.text.WellFormed;

/**
 * What every file of a statement carries, so that it can be made again and held against what the file says.
 *
 * @param recipe what was asked
 * @param at the instant that it is about
 * @param state the change whose state it is of, as {@code change N}, or the digest of a bundle
 * @param digest over its content; null while it is being written
 */
public record StatementIdentity(Recipe recipe, Instant at, String state, String digest) {
  private static final String MARK = "Pale Gate statement 1";
  private static final String CHANGE = "change ";

  public static String ofChange(long change) {
    return CHANGE + change;
  }

  /** The number of the change; empty if it was made from a bundle. */
  public Optional<Long> change() {
    try {
      return state.startsWith(CHANGE) ? Optional.of(Long.parseLong(state.substring(CHANGE.length()))) : Optional.empty();
    } catch (NumberFormatException noNumber) {
      return Optional.empty();
    }
  }

  public StatementIdentity digested(String other) {
    return new StatementIdentity(recipe, at, state, other);
  }

  /** One line, the same in every kind of file. */
  public String text() {
    return MARK + " | " + recipe.text() + " | at " + at + " | of " + state + " | " + digest;
  }

  /** Reads the line that {@link #text} wrote; empty if it is something else. */
  public static Optional<StatementIdentity> parse(String line) {
    String[] parts = line.strip().split(" \\| ");
    if (parts.length != 5 || !parts[0].equals(MARK) || !parts[2].startsWith("at ") || !parts[3].startsWith("of ")) {
      return Optional.empty();
    }
    Recipe.Parsed recipe = Recipe.parse(parts[1]);
    try {
      Instant at = Instant.parse(parts[2].substring(3));
      return recipe.recipe() == null || WellFormed.instant(at).isPresent() ? Optional.empty() : Optional.of(new StatementIdentity(recipe.recipe(), at, parts[3].substring(3), parts[4]));
    } catch (DateTimeParseException noInstant) {
      return Optional.empty();
    }
  }
}
