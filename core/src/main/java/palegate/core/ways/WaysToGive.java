package palegate.core.ways;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.ClearanceChange;
import palegate.core.changes.GuardChange;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.OversightChange;
import palegate.core.changes.WallChange;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Conditions;
import palegate.core.places.Guards;
import palegate.core.places.Place;
import palegate.core.questions.SubjectWords;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;
import palegate.core.ways.WaysTo.Candidate;

/**
 * Changes that might give somebody a right. What stands in the way (walls, withholdings, a missing clearance,
 * ceilings, house rules, conditions) has to be undone each time; what is missing (a grant) can be given in
 * several ways. Each way undoes all of the first and does one of the second.
 */
final class WaysToGive {
  private static final int GROUPS_TRIED = 5;

  private final Snapshot snapshot;
  private final Structure structure;
  private final SnapshotAt moment;
  private final Instant instant;
  private final Right right;
  private final int personNumber;
  private final Person person;
  private final Place place;
  private final int placeNumber;

  WaysToGive(Snapshot snapshot, Instant instant, Right right, int person, int place) {
    this.snapshot = snapshot;
    this.instant = instant;
    this.right = right;
    structure = snapshot.structure();
    moment = snapshot.at(instant);
    personNumber = person;
    this.person = snapshot.person(person);
    this.place = snapshot.place(place);
    placeNumber = place;
  }

  List<Candidate> candidates() {
    List<Candidate> obstacles = new ArrayList<>();
    walls(obstacles);
    clearance(obstacles);
    ceilings(obstacles);
    houseRules(obstacles);
    conditions(obstacles);
    List<Candidate> sources = new ArrayList<>();
    boolean given = given().contains(right);
    if (given) {
      sources.add(new Candidate(List.of(), ""));
    }
    withholdings(sources, given);
    if (!given) {
      grants(sources);
      memberships(sources);
    }
    List<Candidate> all = new ArrayList<>();
    for (Candidate source : sources) {
      all.add(joined(obstacles, source));
    }
    overseer(all);
    all.removeIf(candidate -> candidate.changes().isEmpty());
    return all;
  }

  private static Candidate joined(List<Candidate> obstacles, Candidate source) {
    List<Change> changes = new ArrayList<>();
    List<String> words = new ArrayList<>();
    obstacles.forEach(obstacle -> {
      changes.addAll(obstacle.changes());
      words.add(obstacle.words());
    });
    changes.addAll(source.changes());
    if (!source.words().isEmpty()) {
      words.add(source.words());
    }
    return new Candidate(changes, String.join("; ", words));
  }

  /** What the entries come to for the person, guards aside. */
  private Rights given() {
    int granted = 0;
    int withheld = 0;
    for (Entry entry : acting()) {
      if (moment.matches(personNumber, entry.subject())) {
        granted |= entry instanceof Grant ? snapshot.rightsOf(entry).mask() : 0;
        withheld |= entry instanceof Withholding ? snapshot.rightsOf(entry).mask() : 0;
      }
    }
    return Rights.ofMask(Rights.close(granted & ~withheld));
  }

  private List<Entry> acting() {
    return snapshot.reachingEntries(placeNumber).stream()
        .filter(entry -> entry.period().holdsAt(instant) && entry.touches(place.type())).toList();
  }

  private void walls(List<Candidate> obstacles) {
    for (Wall wall : moment.walls().barring(personNumber, placeNumber)) {
      obstacles.add(Candidate.of("except " + person.name() + " from the wall \"" + wall.name() + "\"",
          new WallChange.AddException(wall.id(), new Wall.Exempt(new Subject.OfPerson(person.id()), null))));
    }
  }

  private void clearance(List<Candidate> obstacles) {
    DocumentType type = place.type() == null ? null : structure.types().get(place.type());
    if (type == null || !type.guarded()) {
      return;
    }
    boolean cleared = type.clearances().stream().anyMatch(clearance -> clearance.period().holdsAt(instant)
        && moment.matches(personNumber, clearance.subject()) && structure.roles().get(clearance.role()).rights().contains(right));
    if (!cleared) {
      rolesWith(right).stream().findFirst().ifPresent(role -> obstacles.add(Candidate.of(
          "clear " + person.name() + " as " + role.name() + " for " + type.name(),
          new ClearanceChange.AddClearance(type.id(), new Clearance(new Subject.OfPerson(person.id()), role.id(), Period.ALWAYS)))));
    }
  }

  private void ceilings(List<Candidate> obstacles) {
    if (person.external()) {
      for (int at : snapshot.path(placeNumber)) {
        Guards guards = snapshot.place(at).guards();
        if (guards.ceiling() != null && !structure.roles().get(guards.ceiling()).rights().contains(right)) {
          obstacles.add(Candidate.of("lift the ceiling for outsiders at " + snapshot.place(at).name(),
              new GuardChange.SetGuards(snapshot.place(at).id(), guards.withCeiling(null))));
        }
      }
    }
  }

  private void houseRules(List<Candidate> obstacles) {
    boolean sharing = right == Right.SHARE && !given().contains(Right.GOVERN);
    boolean taking = right == Right.COPY && !given().contains(Right.REVISE);
    for (int at : snapshot.path(placeNumber)) {
      Guards guards = snapshot.place(at).guards();
      if (sharing && guards.reserveSharing() || taking && guards.noTakeaway()) {
        obstacles.add(Candidate.of("lift the house rule at " + snapshot.place(at).name(),
            new GuardChange.SetGuards(snapshot.place(at).id(), new Guards(guards.ceiling(),
                guards.reserveSharing() && !sharing, guards.noTakeaway() && !taking))));
      }
    }
  }

  private void conditions(List<Candidate> obstacles) {
    Conditions in = place.conditions();
    boolean changing = right == Right.REVISE || right == Right.DELETE;
    if (in.isPrivate() && !person.id().equals(place.owner())) {
      obstacles.add(release(Conditions.Condition.PRIVATE));
    }
    if (in.frozen() && (changing || right == Right.DESCRIBE)) {
      obstacles.add(release(Conditions.Condition.FROZEN));
    }
    if (in.checkedOutBy() != null && !in.checkedOutBy().equals(person.id()) && changing) {
      obstacles.add(release(Conditions.Condition.CHECKED_OUT));
    }
  }

  private Candidate release(Conditions.Condition condition) {
    return Candidate.of("release the document from being " + condition.words(), new GuardChange.Release(place.id(), condition));
  }

  /** The withholdings that name the person and take the right, all of them together. */
  private void withholdings(List<Candidate> sources, boolean given) {
    Rights needed = Rights.of(right).complete();
    List<Withholding> taking = acting().stream().filter(entry -> entry instanceof Withholding taken
        && moment.matches(personNumber, entry.subject()) && !taken.rights().intersect(needed).isEmpty())
        .map(Withholding.class::cast).toList();
    if (!given && !taking.isEmpty()) {
      sources.add(new Candidate(taking.stream().map(taken -> (Change) new AccessChange.RemoveWithholding(taken.place(), taken.id())).toList(),
          "remove " + (taking.size() == 1 ? "the withholding" : "the " + taking.size() + " withholdings") + " from "
              + SubjectWords.of(taking.get(0).subject(), structure) + " that takes " + right.word()));
    }
  }

  private void grants(List<Candidate> sources) {
    List<Change> cleared = new ArrayList<>();
    for (Entry entry : acting()) {
      if (entry instanceof Withholding taken && moment.matches(personNumber, entry.subject())
          && !taken.rights().intersect(Rights.of(right).complete()).isEmpty()) {
        cleared.add(new AccessChange.RemoveWithholding(taken.place(), taken.id()));
      }
    }
    for (Role role : rolesWith(right)) {
      List<Change> changes = new ArrayList<>(cleared);
      changes.add(new AccessChange.AddGrant(new Grant("way-" + role.id(), place.id(), new Subject.OfPerson(person.id()), role.id(),
          Set.of(), Period.ALWAYS, null)));
      sources.add(new Candidate(changes, "give " + person.name() + " the role " + role.name() + " at " + place.name()));
    }
  }

  /** Groups that are given the right here and that the person could join. */
  private void memberships(List<Candidate> sources) {
    Map<String, Integer> sizes = new LinkedHashMap<>();
    for (Entry entry : acting()) {
      if (entry instanceof Grant && entry.subject() instanceof Subject.OfGroup group
          && snapshot.rightsOf(entry).contains(right) && !moment.matches(personNumber, entry.subject())) {
        sizes.put(group.id(), moment.matching(group).size());
      }
    }
    sizes.entrySet().stream().sorted(Map.Entry.comparingByValue()).limit(GROUPS_TRIED).forEach(candidate -> {
      Group group = structure.groups().get(candidate.getKey());
      sources.add(Candidate.of("put " + person.name() + " into the group " + group.name(),
          new MembershipChange.AddMember(group.id(), new Membership(new Membership.PersonMember(person.id()), Period.ALWAYS))));
    });
  }

  private void overseer(List<Candidate> all) {
    if (person.staff() && (right == Right.FIND || right == Right.READ)) {
      List<Candidate> walls = new ArrayList<>();
      walls(walls);
      all.add(joined(walls, Candidate.of("appoint " + person.name() + " overseer of " + place.name(),
          new OversightChange.AddOversight(new Oversight("way-oversight", place.id(), new Subject.OfPerson(person.id()), Period.ALWAYS, null)))));
    }
  }

  /** The roles that hold a right, the smallest first. */
  private List<Role> rolesWith(Right wanted) {
    return structure.roles().values().stream().filter(role -> role.rights().contains(wanted))
        .sorted(Comparator.comparingInt((Role role) -> role.rights().size()).thenComparing(Role::id)).toList();
  }
}
