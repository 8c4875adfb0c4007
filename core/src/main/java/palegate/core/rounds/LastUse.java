package palegate.core.rounds;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import palegate.core.collections.PersonSet;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/**
 * When what is reviewed was last of use to anybody whom it concerns: a grant or an appointment by what they opened there and below, a
 * membership by what they opened anywhere (access rules, section 14). Of clearances, exceptions and duties no opening tells.
 */
public final class LastUse {
  /** Of larger groups somebody is always at work. */
  public static final int PEOPLE_AT_MOST = 200;

  /** Somebody opened a document, or took a copy of it out, last then. */
  public record Opening(String place, Instant last) {}

  private LastUse() {}

  /** Whose openings tell of an item; empty where none do. O(people). */
  public static List<String> people(SnapshotAt moment, ReviewItem item) {
    if (item.subject() == null || item.place() == null && item.kind() != ItemKind.MEMBERSHIP) {
      return List.of();
    }
    PersonSet people = moment.matching(item.subject());
    return people.size() > PEOPLE_AT_MOST ? List.of() : people.stream().mapToObj(person -> moment.snapshot().person(person).id()).toList();
  }

  /** Of documents that the state has: others are passed over. O(openings × depth). */
  public static Optional<Instant> of(SnapshotAt moment, ReviewItem item, Map<String, List<Opening>> byPerson) {
    Snapshot snapshot = moment.snapshot();
    int top = item.place() == null ? -1 : snapshot.placeNumber(item.place());
    return people(moment, item).stream().flatMap(person -> byPerson.getOrDefault(person, List.of()).stream()).filter(opening -> {
      int at = snapshot.placeNumber(opening.place());
      return at >= 0 && (item.place() == null || top >= 0 && snapshot.path(at).contains(top));
    }).map(Opening::last).max(Instant::compareTo);
  }
}
