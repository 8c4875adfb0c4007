package palegate.core.questions;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import palegate.core.collections.PersonSet;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;

/** People told apart by what they have, and by nothing else. */
public final class PeopleByRights {
  /** Those who have exactly these rights. */
  public record Alike(Rights rights, PersonSet people) {}

  private PeopleByRights() {}

  /**
   * The largest number first, of equal ones the more rights. O(kinds × people / 64).
   *
   * @param byRight who has each right, in the order of the rights
   */
  public static List<Alike> of(PersonSet people, List<PersonSet> byRight) {
    Map<Integer, PersonSet> groups = new LinkedHashMap<>();
    groups.put(0, people);
    for (Right right : Right.values()) {
      PersonSet having = byRight.get(right.ordinal());
      Map<Integer, PersonSet> finer = new LinkedHashMap<>();
      groups.forEach((mask, alike) -> {
        PersonSet with = alike.and(having);
        if (!with.isEmpty()) {
          finer.put(mask | Rights.bit(right), with);
        }
        if (with.size() < alike.size()) {
          finer.put(mask, alike.minus(having));
        }
      });
      groups = finer;
    }
    return groups.entrySet().stream().map(group -> new Alike(Rights.ofMask(group.getKey()), group.getValue()))
        .sorted(Comparator.comparing((Alike one) -> one.people().size()).thenComparing(one -> one.rights().size()).reversed()).toList();
  }
}
