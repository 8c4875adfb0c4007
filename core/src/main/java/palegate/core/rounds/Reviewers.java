package palegate.core.rounds;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import palegate.core.duties.Duty;
import palegate.core.people.Subject;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.viewpoint.Asker;

/**
 * Who is asked about what. Nobody is asked about their own access, nor about a place from which a wall bars them; where nobody is left, the
 * stand-in is asked, and where the stand-in may not be either, the item stays without a reviewer and is said to.
 */
public final class Reviewers {
  /** By which rule. */
  public enum Rule {
    /** Whoever governs the place, the one who governs least first; for what stands at no place, the one who is named. */
    KEEPER,
    /** Always the one who is named. */
    NAMED
  }

  private final SnapshotAt moment;
  private final Snapshot snapshot;
  private final Rule rule;
  private final int named;
  private final int standIn;
  private final Map<Integer, Integer> governed = new HashMap<>();

  private Reviewers(SnapshotAt moment, Rule rule, String named, String standIn) {
    this.moment = moment;
    snapshot = moment.snapshot();
    this.rule = rule;
    this.named = named == null ? -1 : snapshot.personNumber(named);
    this.standIn = standIn == null ? -1 : snapshot.personNumber(standIn);
  }

  /** By the items' keys, the id of the reviewer; null where there is nobody. O(items × people who govern). */
  public static Map<String, String> assign(SnapshotAt moment, List<ReviewItem> items, Rule rule, String named, String standIn) {
    Reviewers reviewers = new Reviewers(moment, rule, named, standIn);
    Map<String, String> assigned = new LinkedHashMap<>();
    items.forEach(item -> assigned.put(item.key(), reviewers.of(item)));
    return assigned;
  }

  private String of(ReviewItem item) {
    List<Integer> candidates = new ArrayList<>();
    int place = item.place() == null ? -1 : snapshot.placeNumber(item.place());
    if (rule == Rule.KEEPER && place >= 0) {
      moment.holdersOf(Right.GOVERN, place).and(moment.activeStaff()).forEach(candidates::add);
      candidates.sort(Comparator.comparing(this::governed).thenComparing(person -> snapshot.person(person).name()).thenComparing(person -> snapshot.person(person).id()));
    }
    candidates.add(named);
    candidates.add(standIn);
    return candidates.stream().filter(person -> mayReview(moment, person, item)).map(person -> snapshot.person(person).id()).findFirst().orElse(null);
  }

  private int governed(int person) {
    return governed.computeIfAbsent(person, any -> {
      int[] rights = moment.rightsInEveryClass(person);
      int places = 0;
      for (int number = 0; number < rights.length; number++) {
        places += (rights[number] & 1 << Right.GOVERN.ordinal()) == 0 ? 0 : moment.placesInClass(number);
      }
      return places;
    });
  }

  /**
   * Whether somebody may be asked about an item: they are active, it is not their own access, no wall bars them from where it stands, and
   * they know of such things by duty: of walls and of duties nobody hears through a review.
   */
  public static boolean mayReview(SnapshotAt moment, int person, ReviewItem item) {
    Snapshot snapshot = moment.snapshot();
    if (person < 0 || !moment.active().contains(person) || isOwn(moment, person, item)) {
      return false;
    }
    int place = item.place() == null ? -1 : snapshot.placeNumber(item.place());
    Asker asker = Asker.of(moment, snapshot.person(person).id());
    return (place < 0 || !moment.walls().barredFrom(place).contains(person)) && switch (item.kind()) {
      case EXCEPTION -> asker.holds(Duty.WALLS);
      case DUTY -> asker.holdsAny(Duty.SYSTEM, Duty.AUDIT);
      default -> true;
    };
  }

  /** Their own access: they are whom it is about, or among them. */
  private static boolean isOwn(SnapshotAt moment, int person, ReviewItem item) {
    return item.subject() instanceof Subject.OfPerson one ? one.id().equals(moment.snapshot().person(person).id()) : moment.matches(person, item.subject());
  }
}
