package palegate.core.mining;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.PeopleChange;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.questions.BreakRegister;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;

/** What might say the same with fewer entries; whether it does is for a rehearsal to say. */
final class Candidates {
  /** @param saves how many entries it would save */
  record Candidate(Proposal.Kind kind, String words, List<Change> changes, int saves) {}

  /** What an entry says, wherever it stands. */
  private record Says(boolean grant, Subject subject, Object what, Set<String> types, Period period) {
    static Says of(Entry entry) {
      return new Says(entry instanceof Grant, entry.subject(), entry instanceof Grant grant ? grant.role() : ((Withholding) entry).rights(), entry.types(), entry.period());
    }
  }

  /** People named for the same at one place. */
  private record Alike(String place, String role, Set<String> types, Period period) {}

  private final Snapshot snapshot;
  private final SnapshotAt moment;
  private final Structure structure;
  private final Instant now;
  private final Supplier<String> ids;

  Candidates(Snapshot snapshot, Instant now, Supplier<String> ids) {
    this.snapshot = snapshot;
    this.now = now;
    this.ids = ids;
    moment = snapshot.at(now);
    structure = snapshot.structure();
  }

  /** Those that save most first, of equal ones in a stable order. */
  List<Candidate> all() {
    List<Candidate> all = new ArrayList<>();
    ended(all);
    lifts(all);
    groups(all);
    rejoins(all);
    idle(all);
    all.sort(Comparator.comparingInt((Candidate one) -> one.kind() == Proposal.Kind.ENDED ? 0 : 1).thenComparing(Comparator.comparingInt(Candidate::saves).reversed()).thenComparing(Candidate::kind).thenComparing(Candidate::words));
    return all;
  }

  private void ended(List<Candidate> all) {
    List<Entry> over = structure.entries().filter(entry -> entry.period().endedBy(now)).sorted(Comparator.comparing(Entry::place).thenComparing(Entry::id)).toList();
    if (!over.isEmpty()) {
      all.add(new Candidate(Proposal.Kind.ENDED, "Take off " + (over.size() == 1 ? "the entry that has" : "the " + over.size() + " entries that have") + " ended.", over.stream().map(Candidates::removal).toList(), over.size()));
    }
  }

  static Change removal(Entry entry) {
    return entry instanceof Grant ? new AccessChange.RemoveGrant(entry.place(), entry.id()) : new AccessChange.RemoveWithholding(entry.place(), entry.id());
  }

  private Stream<Entry> current() {
    return structure.entries().filter(entry -> !entry.period().endedBy(now)).sorted(Comparator.comparing(Entry::place).thenComparing(Entry::id));
  }

  private void idle(List<Candidate> all) {
    current().forEach(entry -> all.add(new Candidate(Proposal.Kind.IDLE, "Take off what does nothing: " + words(entry) + ".", List.of(removal(entry)), 1)));
  }

  private String words(Entry entry) {
    return (entry instanceof Grant grant ? structure.roles().get(grant.role()).name() : "withholding") + " for " + SubjectNames.of(entry.subject(), structure) + " at " + path(entry.place());
  }

  private String path(String place) {
    return snapshot.pathText(snapshot.placeNumber(place));
  }

  /** The same at two or more children of one place. */
  private void lifts(List<Candidate> all) {
    Map<String, Map<Says, List<Entry>>> byParent = new LinkedHashMap<>();
    current().forEach(entry -> {
      Place place = structure.places().get(entry.place());
      if (place.kind() != PlaceKind.REPOSITORY) {
        byParent.computeIfAbsent(place.parent(), any -> new LinkedHashMap<>()).computeIfAbsent(Says.of(entry), any -> new ArrayList<>()).add(entry);
      }
    });
    byParent.forEach((parent, alike) -> alike.values().stream().filter(entries -> entries.size() > 1).forEach(entries -> {
      List<Change> changes = new ArrayList<>(entries.stream().map(Candidates::removal).toList());
      Entry one = entries.get(0);
      changes.add(one instanceof Grant grant ? new AccessChange.AddGrant(grant.copiedTo(ids.get(), parent)) : new AccessChange.AddWithholding(((Withholding) one).copiedTo(ids.get(), parent)));
      all.add(new Candidate(Proposal.Kind.LIFT, "Give it once at " + path(parent) + " and not at " + entries.size() + " places below: " + words(one) + ".", changes, entries.size() - 1));
    }));
  }

  /** People named one by one for the same at a place: together they are a group, or become one if they are named so at several places. */
  private void groups(List<Candidate> all) {
    Map<Set<String>, Group> groupOf = new HashMap<>();
    structure.groups().values().forEach(group -> {
      Set<String> people = moment.matching(new Subject.OfGroup(group.id())).stream().mapToObj(number -> snapshot.person(number).id()).collect(Collectors.toSet());
      groupOf.merge(people, group, (one, other) -> one.id().compareTo(other.id()) <= 0 ? one : other);
    });
    Map<Alike, List<Grant>> named = new LinkedHashMap<>();
    current().filter(entry -> entry instanceof Grant && entry.subject() instanceof Subject.OfPerson).map(Grant.class::cast)
        .forEach(grant -> named.computeIfAbsent(new Alike(grant.place(), grant.role(), grant.types(), grant.period()), any -> new ArrayList<>()).add(grant));
    Map<Set<String>, List<List<Grant>>> together = new LinkedHashMap<>();
    named.values().stream().filter(grants -> grants.size() > 1).forEach(grants -> {
      Set<String> people = grants.stream().map(grant -> grant.subject().id()).collect(Collectors.toCollection(TreeSet::new));
      together.computeIfAbsent(people, any -> new ArrayList<>()).add(grants);
    });
    together.forEach((people, places) -> {
      Group group = groupOf.get(people);
      if (group != null) {
        places.forEach(grants -> all.add(new Candidate(Proposal.Kind.GROUP, "Name “" + group.name() + "” and not its " + people.size() + " people one by one, at " + path(grants.get(0).place()) + ".", replaced(List.of(grants), group.id()), grants.size() - 1)));
      } else if (places.size() > 1) {
        String id = ids.get();
        String name = "Named together: " + people.stream().map(person -> structure.people().get(person).name()).limit(2).collect(Collectors.joining(", ")) + (people.size() > 2 ? " and " + (people.size() - 2) + " more" : "");
        List<Change> changes = new ArrayList<>(List.of(new PeopleChange.SetGroup(id, name, "Named together at " + places.size() + " places.")));
        people.forEach(person -> changes.add(new MembershipChange.AddMember(id, new Membership(new Membership.PersonMember(person), Period.ALWAYS))));
        changes.addAll(replaced(places, id));
        all.add(new Candidate(Proposal.Kind.NEW_GROUP, "Make a group of the " + people.size() + " people who are named together at " + places.size() + " places.", changes, places.stream().mapToInt(grants -> grants.size() - 1).sum()));
      }
    });
  }

  private List<Change> replaced(List<List<Grant>> places, String group) {
    List<Change> changes = new ArrayList<>();
    for (List<Grant> grants : places) {
      grants.forEach(grant -> changes.add(removal(grant)));
      Grant one = grants.get(0);
      changes.add(new AccessChange.AddGrant(new Grant(ids.get(), one.place(), new Subject.OfGroup(group), one.role(), one.types(), one.period(), one.note())));
    }
    return changes;
  }

  /** A break whose place would keep, following again, only what does not come from above anyway. */
  private void rejoins(List<Candidate> all) {
    if (structure.repository().isEmpty()) {
      return;
    }
    for (int place : BreakRegister.places(snapshot, snapshot.placeNumber(structure.repository().orElseThrow().id()))) {
      Set<Says> above = new HashSet<>();
      snapshot.reachingEntries(snapshot.parent(place)).forEach(entry -> above.add(Says.of(entry)));
      List<Entry> own = snapshot.ownEntries(place);
      Set<String> keep = own.stream().filter(entry -> !above.contains(Says.of(entry))).map(Entry::id).collect(Collectors.toSet());
      if (keep.size() < own.size()) {
        all.add(new Candidate(Proposal.Kind.REJOIN, "Let " + snapshot.pathText(place) + " follow what is above again" + (keep.isEmpty() ? "." : ", keeping " + keep.size() + " of its own."),
            List.of(new AccessChange.RejoinPlace(snapshot.place(place).id(), false, keep)), own.size() - keep.size()));
      }
    }
  }
}
