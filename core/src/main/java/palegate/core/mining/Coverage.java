package palegate.core.mining;

import java.time.Instant;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;

/**
 * That two states say the same in other words, from an instant on for ever: whatever an entry says that went, others say that reach its place, to the
 * same people, whenever it would have held; and nothing is said that was not. Then the stages that add up what is given and withheld come to the
 * same at every place, and so do all later ones, whatever else begins or ends. What cannot be shown in this way may still be so: a rehearsal says.
 */
final class Coverage {
  /** One side of the comparison: a state, and who is in its groups when. */
  private static final class Side {
    private final Snapshot snapshot;
    private final Instant now;
    private final Map<String, Set<Instant>> instants = new HashMap<>();
    private final Map<Instant, Map<Subject, PersonSet>> people = new HashMap<>();

    Side(Snapshot snapshot, Instant now) {
      this.snapshot = snapshot;
      this.now = now;
    }

    Structure structure() {
      return snapshot.structure();
    }

    /** The later instants at which somebody comes into a subject or leaves it. */
    Set<Instant> instants(Subject subject) {
      if (!(subject instanceof Subject.OfGroup)) {
        return Set.of();
      }
      return instants.computeIfAbsent(subject.id(), group -> {
        Set<Instant> found = new TreeSet<>();
        GroupWalk.each(snapshot, group, null, membership -> add(found, membership.period().from(), membership.period().until()));
        return found;
      });
    }

    private void add(Set<Instant> found, Instant... some) {
      Stream.of(some).filter(instant -> instant != null && instant.isAfter(now)).forEach(found::add);
    }

    PersonSet people(Subject subject, Instant at) {
      if (at.equals(now) || instants(subject).isEmpty()) {
        return snapshot.at(now).matching(subject);
      }
      return people.computeIfAbsent(at, any -> new HashMap<>()).computeIfAbsent(subject, any -> GroupWalk.people(snapshot, subject.id(), at));
    }

    List<Entry> reaching(String place) {
      return List.copyOf(snapshot.reachingEntries(snapshot.placeNumber(place)));
    }
  }

  private final StructureDifference difference;
  private final Side before;
  private final Side after;
  private final Instant now;

  Coverage(Snapshot before, Snapshot after, StructureDifference difference, Instant now) {
    this.difference = difference;
    this.before = new Side(before, now);
    this.after = new Side(after, now);
    this.now = now;
  }

  /** Whether it can be shown. O(entries that differ × entries that reach their places × instants of their groups × people / 64). */
  boolean shows() {
    Structure was = difference.before();
    Structure is = difference.after();
    return Stream.of(difference.units(), difference.people(), difference.types(), difference.oversights(), difference.walls(), difference.duties(), difference.approvals(),
            difference.sharing(), difference.passes(), difference.shortlists(), difference.separations()).allMatch(Set::isEmpty)
        && difference.roles().stream().noneMatch(was.roles()::containsKey) && difference.groups().stream().filter(group -> was.groups().containsKey(group) && is.groups().containsKey(group)).allMatch(this::hasTheSamePeople)
        && difference.places().stream().allMatch(this::onlyFollowsAgain) && entries(was).allMatch(entry -> isSaid(entry, entry.place(), before, after)) && entries(is).allMatch(entry -> isSaid(entry, entry.place(), after, before));
  }

  /** Of one of the two structures those that are not, or not the same, in the other. */
  private Stream<Entry> entries(Structure in) {
    return Stream.concat(difference.grants().stream().map(in.grants()::get), difference.withholdings().stream().map(in.withholdings()::get)).filter(Objects::nonNull).map(Entry.class::cast);
  }

  private boolean hasTheSamePeople(String group) {
    Subject subject = new Subject.OfGroup(group);
    Set<Instant> instants = new TreeSet<>(Set.of(now));
    instants.addAll(before.instants(subject));
    instants.addAll(after.instants(subject));
    return instants.stream().allMatch(at -> before.people(subject, at).equals(after.people(subject, at)));
  }

  /** A place that stood alone and follows: what reaches it from above now was said there before. */
  private boolean onlyFollowsAgain(String id) {
    Place was = difference.before().places().get(id);
    Place is = difference.after().places().get(id);
    if (was == null || is == null || !was.standsAlone() || !was.following().equals(is)) {
      return false;
    }
    Set<Entry> there = new HashSet<>(before.reaching(id));
    return after.reaching(id).stream().filter(entry -> !there.contains(entry)).allMatch(entry -> isSaid(entry, id, after, before));
  }

  /** Whether what an entry of one side says at a place and below is said there on the other side too, to the same people, whenever it holds. */
  private static boolean isSaid(Entry entry, String place, Side side, Side other) {
    return isSaid(entry, side, other.reaching(place), other);
  }

  private static boolean isSaid(Entry entry, Side side, List<Entry> others, Side other) {
    List<Entry> saying = others.stream().filter(one -> one instanceof Grant == entry instanceof Grant).toList();
    Set<Instant> instants = new TreeSet<>(Set.of(side.now));
    side.add(instants, entry.period().from(), entry.period().until());
    instants.addAll(side.instants(entry.subject()));
    saying.forEach(one -> {
      other.add(instants, one.period().from(), one.period().until());
      instants.addAll(other.instants(one.subject()));
    });
    Collection<String> types = entry.types().isEmpty() ? Collections.singleton(null) : entry.types();
    return instants.stream().filter(entry.period()::holdsAt).allMatch(at -> {
      PersonSet people = side.people(entry.subject(), at);
      return people.isEmpty() || types.stream().allMatch(type -> side.snapshot.rightsOf(entry).list().stream().allMatch(right -> people.minus(told(saying, type, right, at, other)).isEmpty()));
    });
  }

  private static PersonSet told(List<Entry> saying, String type, Right right, Instant at, Side side) {
    return saying.stream().filter(one -> one.period().holdsAt(at) && (one.types().isEmpty() || type != null && one.types().contains(type)) && side.snapshot.rightsOf(one).contains(right))
        .map(one -> side.people(one.subject(), at)).reduce(PersonSet.NOBODY, PersonSet::or);
  }

  /** Those of some entries that say nothing that others of their state do not say, whenever they hold. */
  static List<Entry> saidByOthers(Snapshot snapshot, Stream<Entry> some, Instant now) {
    Side side = new Side(snapshot, now);
    return some.filter(entry -> isSaid(entry, side, side.reaching(entry.place()).stream().filter(one -> !one.equals(entry)).toList(), side)).toList();
  }
}
