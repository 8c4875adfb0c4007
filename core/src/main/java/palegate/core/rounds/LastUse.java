package palegate.core.rounds;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import palegate.core.access.Grant;
import palegate.core.collections.PersonSet;
import palegate.core.people.Membership;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/**
 * When what is reviewed was last of use to anybody whom it concerns (access rules, section 14): a grant or an appointment by what they
 * opened at its place and below, a membership by what they opened where the group, or one that it is in, is given anything. That they may
 * have had the right in another way too is not looked at. Of clearances, exceptions, duties and passes no opening tells.
 */
public final class LastUse {
  /** Of larger groups somebody is always at work. */
  public static final int PEOPLE_AT_MOST = 200;

  /** Somebody opened a document, or took a copy of it out, last then. */
  public record Opening(String place, Instant last) {}

  private final SnapshotAt moment;
  private final Map<String, Set<String>> groupsAbove = new HashMap<>();
  private final Map<String, BitSet> placesOfGroup = new HashMap<>();

  private LastUse(SnapshotAt moment) {
    this.moment = moment;
    moment.snapshot().structure().groups().values().forEach(group -> group.members().stream().filter(member -> member.member() instanceof Membership.GroupMember && member.period().holdsAt(moment.instant()))
        .forEach(member -> groupsAbove.computeIfAbsent(member.member().id(), any -> new HashSet<>()).add(group.id())));
  }

  /** For the items of one state. O(memberships), and O(grants) a group that is asked about. */
  public static LastUse in(SnapshotAt moment) {
    return new LastUse(moment);
  }

  /** Whose openings tell of an item; empty where none do. O(people). */
  public List<String> people(ReviewItem item) {
    if (item.subject() == null || item.kind() == ItemKind.PASS || item.place() == null && item.kind() != ItemKind.MEMBERSHIP) {
      return List.of();
    }
    PersonSet people = moment.matching(item.subject());
    return people.size() > PEOPLE_AT_MOST ? List.of() : people.stream().mapToObj(person -> moment.snapshot().person(person).id()).toList();
  }

  /** Of documents that the state has: others are passed over. O(openings × depth). */
  public Optional<Instant> of(ReviewItem item, Map<String, List<Opening>> byPerson) {
    Snapshot snapshot = moment.snapshot();
    BitSet tops = item.place() == null ? placesOfGroup.computeIfAbsent(item.container(), this::placesOf) : place(item.place());
    return people(item).stream().flatMap(person -> byPerson.getOrDefault(person, List.of()).stream()).filter(opening -> {
      int at = snapshot.placeNumber(opening.place());
      return at >= 0 && snapshot.path(at).stream().anyMatch(tops::get);
    }).map(Opening::last).max(Instant::compareTo);
  }

  private BitSet place(String id) {
    BitSet one = new BitSet();
    int number = moment.snapshot().placeNumber(id);
    if (number >= 0) {
      one.set(number);
    }
    return one;
  }

  private BitSet placesOf(String group) {
    Set<String> given = new HashSet<>();
    Deque<String> open = new ArrayDeque<>(List.of(group));
    while (!open.isEmpty()) {
      String next = open.pop();
      if (given.add(next)) {
        open.addAll(groupsAbove.getOrDefault(next, Set.of()));
      }
    }
    BitSet places = new BitSet();
    for (Grant grant : moment.snapshot().structure().grants().values()) {
      if (grant.subject() instanceof Subject.OfGroup && given.contains(grant.subject().id()) && grant.period().holdsAt(moment.instant())) {
        places.or(place(grant.place()));
      }
    }
    return places;
  }
}
