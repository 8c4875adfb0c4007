package palegate.core.mining;

import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import palegate.core.collections.PersonSet;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/**
 * At which later instants rights of some people at a place or below it may become others: when an entry or appointment at the place, above or below it
 * begins or ends, when a guard does, and when one of them joins or leaves a group. Between two of them nothing there changes for them.
 */
final class RelevantInstants {
  private final Snapshot snapshot;
  private final Instant now;
  private final Set<Instant> ofGuards = new TreeSet<>();
  private final Map<String, Set<Instant>> byPlace = new HashMap<>();
  private final Map<String, Set<Instant>> below = new HashMap<>();
  private final Map<Integer, Set<Instant>> byPerson = new HashMap<>();

  /** O(dated entries × depth + dated memberships × people in them). */
  RelevantInstants(Snapshot snapshot, Instant now) {
    this.snapshot = snapshot;
    this.now = now;
    Structure structure = snapshot.structure();
    structure.walls().values().forEach(wall -> {
      add(ofGuards, wall.period());
      wall.exceptions().forEach(exception -> add(ofGuards, new Period(null, exception.until())));
    });
    structure.types().values().forEach(type -> type.clearances().forEach(clearance -> add(ofGuards, clearance.period())));
    structure.entries().forEach(entry -> note(entry.place(), entry.period()));
    structure.oversights().values().forEach(oversight -> note(oversight.place(), oversight.period()));
    structure.groups().values().forEach(group -> group.members().forEach(this::note));
  }

  private void note(String place, Period period) {
    Set<Instant> some = new TreeSet<>();
    add(some, period);
    if (!some.isEmpty()) {
      byPlace.computeIfAbsent(place, any -> new TreeSet<>()).addAll(some);
      snapshot.path(snapshot.placeNumber(place)).forEach(above -> below.computeIfAbsent(snapshot.place(above).id(), any -> new TreeSet<>()).addAll(some));
    }
  }

  private void note(Membership membership) {
    Set<Instant> some = new TreeSet<>();
    add(some, membership.period());
    if (!some.isEmpty()) {
      EverIn.of(snapshot, membership.member()).forEach(person -> byPerson.computeIfAbsent(person, any -> new TreeSet<>()).addAll(some));
    }
  }

  /** Those for everybody at a place and what is below it, in order. */
  Set<Instant> at(String place) {
    Set<Instant> all = ofPlace(place);
    byPerson.values().forEach(all::addAll);
    return all;
  }

  /** Those for some people there. */
  Set<Instant> at(String place, PersonSet people) {
    Set<Instant> all = ofPlace(place);
    people.forEach(person -> all.addAll(byPerson.getOrDefault(person, Set.of())));
    return all;
  }

  private Set<Instant> ofPlace(String place) {
    Set<Instant> all = new TreeSet<>(ofGuards);
    all.addAll(below.getOrDefault(place, Set.of()));
    snapshot.path(snapshot.placeNumber(place)).forEach(above -> all.addAll(byPlace.getOrDefault(snapshot.place(above).id(), Set.of())));
    return all;
  }

  private void add(Set<Instant> found, Period period) {
    Stream.of(period.from() == null ? now : period.from(), period.until() == null ? now : period.until()).filter(instant -> instant.isAfter(now)).forEach(found::add);
  }
}
