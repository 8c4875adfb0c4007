package palegate.core.viewpoint;

import java.util.HashSet;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palegate.core.approvals.ApprovalRule;
import palegate.core.changes.ApprovalChange;
import palegate.core.changes.Change;
import palegate.core.changes.TypeChange;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.journal.Between;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;

/**
 * What one asker may know of a state of the structure (section 9). Everything that they are told is asked of {@link #snapshot}: what they
 * may not know is not in it, and so is to them as if it did not exist – in lists, counts, orders, differences, files and errors alike.
 *
 * @param snapshot of what they may know; the very snapshot of the state for whoever may know all of it
 * @param whole whether that is all there is
 */
public record Viewpoint(Asker asker, Snapshot snapshot, boolean whole) {

  /** Of the state in which the asker holds their duties. O(structure) where something is to be cut, O(places) bits to see that nothing is. */
  public static Viewpoint of(Asker asker) {
    return of(asker, asker.snapshot());
  }

  /** Of any state: what duties and walls say now decides what may be known of it. */
  public static Viewpoint of(Asker asker, Snapshot state) {
    return of(asker, state, null);
  }

  /**
   * The same, made from what was known before: of that which was compiled, whatever is the same is shared. Where it is clear what became of it,
   * O(changes) if they are nothing of what is known, else what a change of it costs; where it is not, O(what is known) bits and look-ups besides.
   *
   * @param before of the same asker, of a state not long before; null if there is none
   */
  public static Viewpoint of(Asker asker, Snapshot state, Viewpoint before) {
    Structure followed = before == null || state != asker.snapshot() ? null : FollowedStructure.of(before, asker).orElse(null);
    if (followed != null) {
      return new Viewpoint(asker, followed == before.snapshot().structure() ? before.snapshot() : before.snapshot().next(followed).detached(), false);
    }
    SnapshotAt at = state == asker.snapshot() ? asker.state() : state.at(asker.state().instant());
    Structure known = KnownStructure.of(asker, at);
    if (known == state.structure()) {
      return new Viewpoint(asker, state, true);
    }
    if (before != null && !before.whole()) {
      return new Viewpoint(asker, before.snapshot().next(known).detached(), false);
    }
    // Of a small part it costs more to find what all is not in it.
    boolean small = known.places().size() <= state.structure().places().size() / 2;
    return new Viewpoint(asker, small ? Snapshot.of(known) : state.next(known).detached(), false);
  }

  /** Whether they may know that a place exists: by a duty, or because they can find it. */
  public boolean mayKnow(String place) {
    return snapshot.placeNumber(place) >= 0 || asker.finds(place);
  }

  /**
   * How many documents of a type there are. Whoever looks after types knows this of every place, if no more, but for what a wall keeps
   * from them. O(documents of the type × depth).
   */
  public int documentsOf(String type) {
    Snapshot all = asker.state().snapshot();
    if (whole || !asker.holds(Duty.TYPES)) {
      return (int) snapshot.documentsOf(type).count();
    }
    BarringWalls walls = new BarringWalls(asker, all);
    return (int) all.documentsOf(type).filter(place -> walls.at(place) == BarringWalls.Hidden.NO && all.path(place).stream().noneMatch(above -> walls.at(above) == BarringWalls.Hidden.BARRED)).count();
  }

  /** Whether they may know everybody who is, was or will be in a subject of the whole structure. O(people in it). */
  public boolean knowsAllOf(Subject subject, Structure all) {
    return whole || people(snapshot.structure(), subject).equals(people(all, subject));
  }

  private static Set<String> people(Structure structure, Subject subject) {
    KnownPeople people = new KnownPeople(structure);
    people.add(subject);
    return people.people;
  }

  /** The change with what the thing that it replaces has and the asker may not know: libraries of a type, places of a rule of approval. */
  public Change withWhatIsNotKnown(Change change, Structure all) {
    if (change instanceof TypeChange.SetType set && all.types().containsKey(set.type().id())) {
      DocumentType type = set.type();
      return new TypeChange.SetType(new DocumentType(type.id(), type.name(), type.shortName(), type.guarded(), and(type.libraries(), all.types().get(type.id()).libraries()), type.fields(), type.clearances()));
    }
    if (change instanceof ApprovalChange.SetApproval set && all.approvals().containsKey(set.rule().id())) {
      ApprovalRule rule = set.rule();
      ApprovalRule.When when = rule.when();
      return new ApprovalChange.SetApproval(new ApprovalRule(rule.id(), rule.name(),
          new ApprovalRule.When(when.kinds(), when.duties(), when.outsidersGain(), and(when.places(), all.approvals().get(rule.id()).when().places())), rule.duty()));
    }
    return change;
  }

  private Set<String> and(Set<String> given, Set<String> had) {
    Set<String> both = new HashSet<>(had);
    both.removeIf(snapshot.structure().places()::containsKey);
    both.addAll(given);
    return both;
  }

  /** What they may know of any state, or of the part of one: their own rights decide it, their duties, and the walls that stand now. */
  public Between.Knowing knowing() {
    if (whole) {
      return Between.Knowing.EVERYTHING;
    }
    Set<String> people = asker.id() == null ? Set.of() : Set.of(asker.id());
    Set<String> places = Stream.concat(asker.held().stream().map(DutyAssignment::place).filter(Objects::nonNull),
        asker.snapshot().structure().walls().values().stream().flatMap(wall -> wall.barrier().scopes().stream()).flatMap(scope -> scope.places().stream())).collect(Collectors.toSet());
    return new Between.Knowing() {
      @Override
      public Snapshot of(Snapshot state) {
        return Viewpoint.of(asker, state).snapshot();
      }

      @Override
      public Set<String> people() {
        return people;
      }

      @Override
      public Set<String> places() {
        return places;
      }
    };
  }

  /** Of somebody outside the repository, who has the whole structure before them in a file. */
  public static Viewpoint ofEverything(SnapshotAt state) {
    return new Viewpoint(Asker.of(state, null), state.snapshot(), true);
  }
}
