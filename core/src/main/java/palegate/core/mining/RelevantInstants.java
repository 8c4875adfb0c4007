package palegate.core.mining;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import palegate.core.access.Oversight;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/**
 * At which later instants rights at a place or below it may become others: when an entry or appointment at the place, above or below it begins or
 * ends, when somebody joins or leaves a group that is named there or by a guard, and when a guard does. Between two of them nothing there changes.
 */
final class RelevantInstants {
  private final Snapshot snapshot;
  private final Instant now;
  private final Map<String, Set<Instant>> byGroup = new HashMap<>();
  private final Set<Instant> ofGuards = new TreeSet<>();
  private final Map<String, Set<Instant>> byPlace = new HashMap<>();
  private final Map<String, Set<Instant>> below = new HashMap<>();

  /** O(entries × depth + memberships). */
  RelevantInstants(Snapshot snapshot, Instant now) {
    this.snapshot = snapshot;
    this.now = now;
    Structure structure = snapshot.structure();
    structure.walls().values().forEach(wall -> {
      add(ofGuards, wall.period());
      wall.exceptions().forEach(exception -> {
        add(ofGuards, new Period(null, exception.until()));
        ofGuards.addAll(instants(exception.subject()));
      });
      wall.barrier().subjects().forEach(subject -> ofGuards.addAll(instants(subject)));
    });
    structure.types().values().forEach(type -> type.clearances().forEach(clearance -> {
      add(ofGuards, clearance.period());
      ofGuards.addAll(instants(clearance.subject()));
    }));
    structure.entries().forEach(entry -> note(entry.place(), entry.period(), entry.subject()));
    structure.oversights().values().forEach((Oversight one) -> note(one.place(), one.period(), one.subject()));
  }

  private void note(String place, Period period, Subject subject) {
    Set<Instant> some = new TreeSet<>(instants(subject));
    add(some, period);
    if (!some.isEmpty()) {
      byPlace.computeIfAbsent(place, any -> new TreeSet<>()).addAll(some);
      snapshot.path(snapshot.placeNumber(place)).forEach(above -> below.computeIfAbsent(snapshot.place(above).id(), any -> new TreeSet<>()).addAll(some));
    }
  }

  /** Those for a place and what is below it, in order. */
  Set<Instant> at(String place) {
    Set<Instant> all = new TreeSet<>(ofGuards);
    all.addAll(below.getOrDefault(place, Set.of()));
    snapshot.path(snapshot.placeNumber(place)).forEach(above -> all.addAll(byPlace.getOrDefault(snapshot.place(above).id(), Set.of())));
    return all;
  }

  private void add(Set<Instant> found, Period period) {
    Stream.of(period.from() == null ? now : period.from(), period.until() == null ? now : period.until()).filter(instant -> instant.isAfter(now)).forEach(found::add);
  }

  /** When somebody comes into a group, or into one that is in it, or leaves. */
  private Set<Instant> instants(Subject subject) {
    return subject instanceof Subject.OfGroup group ? byGroup.computeIfAbsent(group.id(), this::ofGroup) : Set.of();
  }

  private Set<Instant> ofGroup(String group) {
    Set<Instant> found = new TreeSet<>();
    Set<String> seen = new HashSet<>(Set.of(group));
    Deque<String> left = new ArrayDeque<>(seen);
    while (!left.isEmpty()) {
      for (Membership membership : snapshot.structure().groups().get(left.pop()).members()) {
        add(found, membership.period());
        if (membership.member() instanceof Membership.GroupMember inner && seen.add(inner.id())) {
          left.push(inner.id());
        }
      }
    }
    return found;
  }
}
