package palegate.core.separations;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import palegate.core.duties.Duty;
import palegate.core.roles.Rights;
import palegate.core.text.WellFormed;

/**
 * What no one person may hold together, at one place or anywhere (section 13): whoever is on two of the sides or more breaks it. It takes
 * nothing from anybody.
 *
 * @param needsApproval whether a draft that brings somebody to break it needs a second person
 */
public record Separation(String id, String name, String reason, boolean needsApproval, Within within, List<Side> sides) {
  public static final int SIDES_AT_MOST = 10;

  /** Where things held together break it. */
  public enum Within {
    PLACE, ANYWHERE;

    public String word() {
      return name().toLowerCase(java.util.Locale.ROOT);
    }

    public static Within parse(String word) {
      return valueOf(word.toUpperCase(java.util.Locale.ROOT));
    }
  }

  /**
   * Whoever holds any one of what it names is on it.
   *
   * @param roles ids of roles that a grant gives them
   * @param rights standing rights
   * @param groups ids of groups they are in
   * @param types ids of document types to whose documents roles and rights are narrowed; empty for all places
   */
  public record Side(Set<String> roles, Rights rights, Set<String> groups, Set<Duty> duties, Set<String> types) {
    public Side {
      roles = Set.copyOf(roles);
      Objects.requireNonNull(rights);
      groups = Set.copyOf(groups);
      duties = Set.copyOf(duties);
      types = Set.copyOf(types);
      if (roles.isEmpty() && rights.isEmpty() && groups.isEmpty() && duties.isEmpty()) {
        throw new IllegalArgumentException("A side of the separation names nothing. Name roles, rights, groups or duties.");
      }
    }

    /** Whether it hangs on where somebody has something. */
    public boolean atPlaces() {
      return !roles.isEmpty() || !rights.isEmpty();
    }
  }

  public Separation {
    Objects.requireNonNull(id);
    Objects.requireNonNull(name);
    Objects.requireNonNull(within);
    WellFormed.require(WellFormed::id, id);
    WellFormed.require(WellFormed::name, name);
    WellFormed.require(WellFormed::text, reason);
    sides = List.copyOf(sides);
    if (sides.size() < 2 || sides.size() > SIDES_AT_MOST) {
      throw new IllegalArgumentException("A separation of [" + sides.size() + "] sides keeps nothing apart. Name 2 to " + SIDES_AT_MOST + ".");
    }
  }
}
