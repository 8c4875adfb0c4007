package palegate.core.shares;

import java.util.HashSet;
import java.util.List;
import java.util.Set;
import palegate.core.people.Person;
import palegate.core.people.Unit;
import palegate.core.sharing.Shortlist;
import palegate.core.structure.Structure;

/** Whom sharing proposes to somebody (section 12): the shortlist of their unit or of the nearest one above; without a unit, that of the topmost one. */
public final class Shortlists {
  private Shortlists() {}

  /** In its order; nothing if no unit on the way has one. O(depth of units). */
  public static List<Shortlist.Audience> of(Structure structure, Person person) {
    String start = person.unit() == null ? topmost(structure) : person.unit();
    return ofUnit(structure, start);
  }

  /** What somebody in a unit is proposed. */
  public static List<Shortlist.Audience> ofUnit(Structure structure, String unit) {
    Shortlist holding = holding(structure, unit);
    return holding == null ? List.of() : holding.audiences();
  }

  /** The shortlist that holds for a unit: its own, or that of the nearest unit above that has one; null if none has. */
  public static Shortlist holding(Structure structure, String unit) {
    Set<String> seen = new HashSet<>();
    for (String at = unit; at != null && seen.add(at); at = structure.units().containsKey(at) ? structure.units().get(at).parent() : null) {
      if (structure.shortlists().containsKey(at)) {
        return structure.shortlists().get(at);
      }
    }
    return null;
  }

  private static String topmost(Structure structure) {
    return structure.units().values().stream().filter(unit -> unit.parent() == null).map(Unit::id).findFirst().orElse(null);
  }
}
