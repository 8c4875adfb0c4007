package palegate.core.sharing;

import java.util.Objects;

/**
 * What a place says about sharing at it and below (section 11). Nearer to the root it bounds what is said further down.
 *
 * @param place the id of the place; a place has one rule at most
 * @param outsiders whether outsiders may be let in
 * @param role the id of the role that bounds what a share gives, or null
 * @param days for how long a share may last at most, or null
 */
public record SharingRule(String place, Who who, boolean outsiders, String role, Integer days) {
  public static final int DAYS_AT_MOST = 3_650;

  /** Who may share, the narrowest first. */
  public enum Who {
    NOBODY, KEEPERS, SHARERS;

    public String word() {
      return name().toLowerCase(java.util.Locale.ROOT);
    }

    public static Who parse(String word) {
      return valueOf(word.toUpperCase(java.util.Locale.ROOT));
    }
  }

  public SharingRule {
    Objects.requireNonNull(place);
    Objects.requireNonNull(who);
    if (days != null && (days < 1 || days > DAYS_AT_MOST)) {
      throw new IllegalArgumentException("A share cannot last [" + days + "] days at most. Say 1 to " + DAYS_AT_MOST + ".");
    }
  }
}
