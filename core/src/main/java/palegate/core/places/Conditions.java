package palegate.core.places;

import java.time.Instant;
import palegate.core.text.IllFormed;
import palegate.core.text.WellFormed;

/**
 * What one document is in (section 5).
 *
 * @param isPrivate everyone but the owner keeps nothing, save that who governs keeps find and govern
 * @param frozen nobody may revise, describe or delete it
 * @param checkedOutBy the id of the person who alone may revise and delete it, or null
 * @param checkedOutAt since when, or null
 */
public record Conditions(boolean isPrivate, boolean frozen, String checkedOutBy, Instant checkedOutAt) {
  public static final Conditions NONE = new Conditions(false, false, null, null);

  public Conditions {
    WellFormed.require(WellFormed::instant, checkedOutAt);
    if (checkedOutAt != null && checkedOutBy == null) {
      throw new IllFormed(new WellFormed.Wrong("The document is checked out since then by nobody.", "Name who has it, or leave the time out."));
    }
  }

  public boolean any() {
    return isPrivate || frozen || checkedOutBy != null;
  }

  /** These conditions without one of them. */
  public Conditions released(Condition condition) {
    return with(condition, NONE);
  }

  /** These conditions with one of them from {@code other}. */
  public Conditions with(Condition condition, Conditions other) {
    return switch (condition) {
      case PRIVATE -> new Conditions(other.isPrivate, frozen, checkedOutBy, checkedOutAt);
      case FROZEN -> new Conditions(isPrivate, other.frozen, checkedOutBy, checkedOutAt);
      case CHECKED_OUT -> new Conditions(isPrivate, frozen, other.checkedOutBy, other.checkedOutAt);
    };
  }

  public boolean has(Condition condition) {
    return switch (condition) {
      case PRIVATE -> isPrivate;
      case FROZEN -> frozen;
      case CHECKED_OUT -> checkedOutBy != null;
    };
  }

  /** The three conditions that a document can be in. */
  public enum Condition {
    PRIVATE("private"), FROZEN("frozen"), CHECKED_OUT("checked out");

    private final String words;

    Condition(String words) {
      this.words = words;
    }

    public String words() {
      return words;
    }
  }
}
