package palegate.core.sharing;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.text.WellFormed;

/**
 * An address that lets in whoever opens it and belongs to its audience (section 11). It gives nothing by itself: opening it makes a grant.
 *
 * @param role the id of the role that it gives
 * @param audience who may open it; never outsiders as a whole, and never nobody
 * @param maker the id of the person who answers for it
 * @param period when it may be opened; its end is that of what it gives
 * @param uses by how many people it may be opened; null for no bound
 */
public record Pass(String id, String place, String role, List<Subject> audience, String maker, Period period, Integer uses, String note) {
  public static final int USES_AT_MOST = 100_000;
  public static final int AUDIENCE_AT_MOST = 100;

  public Pass {
    Objects.requireNonNull(id);
    Objects.requireNonNull(place);
    Objects.requireNonNull(role);
    Objects.requireNonNull(maker);
    Objects.requireNonNull(period);
    WellFormed.require(WellFormed::id, id);
    WellFormed.require(WellFormed::text, note);
    audience = List.copyOf(new LinkedHashSet<>(audience));
    if (audience.isEmpty()) {
      throw new IllegalArgumentException("The pass is for nobody. Name people, groups, units or all staff.");
    }
    if (audience.contains(Subject.BuiltIn.OUTSIDERS)) {
      throw new IllegalArgumentException("A pass is never for all outsiders. Name the people or groups that it is for.");
    }
    if (uses != null && (uses < 1 || uses > USES_AT_MOST)) {
      throw new IllegalArgumentException("A pass cannot be opened by [" + uses + "] people at most. Say 1 to " + USES_AT_MOST + ", or leave it out.");
    }
  }

  /** The same, answered for by somebody else. */
  public Pass takenOverBy(String keeper) {
    return new Pass(id, place, role, audience, keeper, period, uses, note);
  }
}
