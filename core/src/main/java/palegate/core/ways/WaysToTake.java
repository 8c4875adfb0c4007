package palegate.core.ways;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Trace;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.ClearanceChange;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.OversightChange;
import palegate.core.changes.WallChange;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.questions.SubjectWords;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;
import palegate.core.ways.WaysTo.Candidate;

/** Changes that might take a right from somebody: what gives it can go, or something can stand against it. */
final class WaysToTake {
  private final Snapshot snapshot;
  private final Structure structure;
  private final SnapshotAt moment;
  private final Instant instant;
  private final Right right;
  private final int personNumber;
  private final Person person;
  private final Place place;
  private final Trace trace;

  WaysToTake(Snapshot snapshot, Instant instant, Right right, int person, int place, Trace trace) {
    this.snapshot = snapshot;
    this.instant = instant;
    this.right = right;
    this.trace = trace;
    structure = snapshot.structure();
    moment = snapshot.at(instant);
    personNumber = person;
    this.person = snapshot.person(person);
    this.place = snapshot.place(place);
  }

  List<Candidate> candidates() {
    List<Candidate> all = new ArrayList<>();
    List<Change> overseeing = new ArrayList<>();
    for (Trace.Guard guard : stage(9).guards()) {
      Oversight oversight = structure.oversights().get(guard.id());
      overseeing.add(new OversightChange.RemoveOversight(oversight.place(), oversight.id()));
    }
    boolean overseen = !overseeing.isEmpty() && person.staff() && (right == Right.FIND || right == Right.READ);
    List<Change> first = overseen ? overseeing : List.of();
    String before = overseen ? "end the oversight; " : "";
    add(all, first, before + "withhold " + right.word() + " from " + person.name() + " at " + place.name(),
        List.of(new AccessChange.AddWithholding(new Withholding("way-withholding", place.id(), new Subject.OfPerson(person.id()),
            Rights.of(right), Set.of(), Period.ALWAYS, null))));
    List<Trace.Acting> giving = stage(2).acting().stream().filter(acting -> acting.rights().contains(right)).toList();
    if (giving.isEmpty() && overseen) {
      add(all, first, "end the oversight of " + person.name(), List.of());
    }
    removeEntries(all, first, before, giving);
    leaveGroups(all, first, before, giving);
    clearances(all, first, before);
    all.add(Candidate.of("screen " + person.name() + " off from " + place.name(), new WallChange.SetWall(new Wall("way-screen",
        "Screen of " + place.name(), null, Wall.State.STANDING, Period.ALWAYS,
        new Barrier.Screen(Scope.ofPlaces(place.id()), List.of(new Subject.OfPerson(person.id()))), List.of()))));
    return all;
  }

  private static void add(List<Candidate> all, List<Change> first, String words, List<Change> then) {
    List<Change> changes = new ArrayList<>(first);
    changes.addAll(then);
    all.add(new Candidate(changes, words));
  }

  /** Every entry that gives the right has to go, or nothing is gained. */
  private void removeEntries(List<Candidate> all, List<Change> first, String before, List<Trace.Acting> giving) {
    if (!giving.isEmpty()) {
      Trace.Acting any = giving.get(0);
      String words = giving.size() == 1
          ? "remove the grant to " + SubjectWords.of(any.entry().subject(), structure) + " at "
              + structure.places().get(any.entry().place()).name()
          : "remove the " + giving.size() + " grants that give it";
      add(all, first, before + words, giving.stream()
          .map(acting -> (Change) new AccessChange.RemoveGrant(acting.entry().place(), ((Grant) acting.entry()).id())).toList());
    }
  }

  /** Leaving the groups by which all those grants match, where memberships alone make them match. */
  private void leaveGroups(List<Candidate> all, List<Change> first, String before, List<Trace.Acting> giving) {
    Set<Change> leaving = new LinkedHashSet<>();
    Set<String> names = new LinkedHashSet<>();
    for (Trace.Acting acting : giving) {
      for (Trace.MembershipPath path : acting.paths()) {
        if (path.links().isEmpty() || !path.links().get(0).kind().equals("group")) {
          return;
        }
        Group group = structure.groups().get(path.links().get(0).id());
        group.members().stream().filter(member -> member.member().equals(new Membership.PersonMember(person.id()))
            && member.period().holdsAt(instant)).forEach(member -> leaving.add(new MembershipChange.RemoveMember(group.id(), member)));
        names.add(group.name());
      }
    }
    if (!leaving.isEmpty()) {
      add(all, first, before + "take " + person.name() + " out of " + String.join(" and ", names), List.copyOf(leaving));
    }
  }

  private void clearances(List<Candidate> all, List<Change> first, String before) {
    DocumentType type = place.type() == null ? null : structure.types().get(place.type());
    if (type != null && type.guarded()) {
      List<Change> removing = new ArrayList<>();
      for (Clearance clearance : type.clearances()) {
        if (clearance.period().holdsAt(instant) && moment.matches(personNumber, clearance.subject())
            && structure.roles().get(clearance.role()).rights().contains(right)) {
          removing.add(new ClearanceChange.RemoveClearance(type.id(), clearance));
        }
      }
      if (!removing.isEmpty()) {
        add(all, first, before + "remove the clearance for " + type.name(), removing);
      }
    }
  }

  private Trace.Step stage(int number) {
    return trace.stages().stream().filter(step -> step.number() == number).findFirst().orElseThrow();
  }
}
