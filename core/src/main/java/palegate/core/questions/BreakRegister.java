package palegate.core.questions;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import palegate.core.access.stages.HoldersByRight;
import palegate.core.collections.PersonSet;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/** All breaks at or below a place, each with what it does: how people's rights there differ from what they would be
 * if the place followed its parent (job capability 8). */
public final class BreakRegister {
  /**
   * One break.
   *
   * @param number the place's number
   * @param depth how deep it stands; a library is 1
   * @param adds how many people can do something here that they could not if it followed
   * @param removes how many people could do something here if it followed, and cannot
   * @param gained the rights that anybody has here by the break
   * @param lost the rights that the break keeps from anybody
   * @param entries how many entries of its own it has
   */
  public record Break(int number, Place place, int depth, int adds, int removes, Rights gained, Rights lost, int entries) {
    /**
     * Whether everybody has at the place itself exactly what they would have if it followed. Below, entries narrowed to document types may differ:
     * that is asked by rehearsing the rejoining.
     */
    public boolean sameAsParent() {
      return adds == 0 && removes == 0;
    }
  }

  /**
   * People whom a break does the same to.
   *
   * @param gained what they have here and would not have if it were rejoined
   * @param lost what they would have and do not
   */
  public record Altered(int people, Rights gained, Rights lost) {}

  private BreakRegister() {}

  /** Whom the break at one place does what to, most people first. O(lines + kinds × people / 64). */
  public static List<Altered> altered(SnapshotAt moment, int place) {
    HoldersByRight here = moment.holders(place);
    HoldersByRight above = moment.holdersIfFollowing(place);
    Map<List<Integer>, PersonSet> groups = new LinkedHashMap<>();
    PersonSet all = PersonSet.NOBODY;
    for (Right right : Right.values()) {
      all = all.or(here.of(right).minus(above.of(right))).or(above.of(right).minus(here.of(right)));
    }
    groups.put(List.of(0, 0), all);
    for (Right right : Right.values()) {
      PersonSet more = here.of(right).minus(above.of(right));
      PersonSet less = above.of(right).minus(here.of(right));
      Map<List<Integer>, PersonSet> finer = new LinkedHashMap<>();
      groups.forEach((masks, people) -> {
        put(finer, masks, people.minus(more).minus(less));
        put(finer, List.of(masks.get(0) | Rights.bit(right), masks.get(1)), people.and(more));
        put(finer, List.of(masks.get(0), masks.get(1) | Rights.bit(right)), people.and(less));
      });
      groups = finer;
    }
    return groups.entrySet().stream().map(group -> new Altered(group.getValue().size(), Rights.ofMask(group.getKey().get(0)), Rights.ofMask(group.getKey().get(1))))
        .sorted(Comparator.comparing(Altered::people).reversed()).toList();
  }

  private static void put(Map<List<Integer>, PersonSet> groups, List<Integer> masks, PersonSet people) {
    if (!people.isEmpty()) {
      groups.put(masks, people);
    }
  }

  /** The places that stand alone at or below one, the repository left out; in tree order. O(places below). */
  public static int[] places(Snapshot snapshot, int top) {
    return snapshot.below(top).filter(place -> snapshot.parent(place) >= 0 && snapshot.standsAlone(place)).toArray();
  }

  /** All of them with what they do. O(places below + breaks × people / 64). */
  public static List<Break> of(SnapshotAt moment, int top) {
    return IntStream.of(places(moment.snapshot(), top)).parallel().mapToObj(place -> of(moment.snapshot(), moment, place)).toList();
  }

  /** What the break at one place does. O(lines + people / 64). */
  public static Break at(SnapshotAt moment, int place) {
    return of(moment.snapshot(), moment, place);
  }

  private static Break of(Snapshot snapshot, SnapshotAt moment, int place) {
    HoldersByRight here = moment.holders(place);
    HoldersByRight above = moment.holdersIfFollowing(place);
    PersonSet adds = PersonSet.NOBODY;
    PersonSet removes = PersonSet.NOBODY;
    int gained = 0;
    int lost = 0;
    for (Right right : Right.values()) {
      PersonSet more = here.of(right).minus(above.of(right));
      PersonSet less = above.of(right).minus(here.of(right));
      gained |= more.isEmpty() ? 0 : Rights.bit(right);
      lost |= less.isEmpty() ? 0 : Rights.bit(right);
      adds = adds.or(more);
      removes = removes.or(less);
    }
    return new Break(place, snapshot.place(place), snapshot.depth(place), adds.size(), removes.size(), Rights.ofMask(gained), Rights.ofMask(lost),
        snapshot.ownEntries(place).size());
  }
}
