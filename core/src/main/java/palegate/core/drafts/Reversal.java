package palegate.core.drafts;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.approvals.ApprovalRule;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.places.Conditions;
import palegate.core.places.Guards;
import palegate.core.places.Place;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/**
 * The reverse of a change put in force, as a draft on what holds today: whatever the change made goes, whatever it
 * took comes back, and what it altered is again as it was before. Where something has been altered since, the reverse
 * leaves it alone and names it (section 8: nothing is ever overwritten).
 */
public final class Reversal {
  /**
   * Something that cannot simply be turned back.
   *
   * @param thing what it is about, as {@link Change#thing} has it
   * @param why in a sentence
   */
  public record Left(String thing, String why) {}

  private final Structure before;
  private final Structure after;
  private final Structure now;
  private final List<Change> changes = new ArrayList<>();
  private final Set<Left> left = new LinkedHashSet<>();

  private Reversal(Structure before, Structure after, Structure now) {
    this.before = before;
    this.after = after;
    this.now = now;
    // What is to come back must be there before anything names it again, and what is to go must be named by nothing.
    bringBackNamed();
    turnBackPeople();
    turnBackPlaces();
    turnBackLists();
    turnBackMemberships();
    turnBackTypesAndWalls();
    turnBackApprovals();
    removeMade();
  }

  /** From the states before and after the change, and the one in force. O(what the change altered). */
  public static Reversal of(Structure before, Structure after, Structure now) {
    return new Reversal(before, after, now);
  }

  /** In an order in which they can be made. */
  public List<Change> changes() {
    return List.copyOf(changes);
  }

  public List<Left> left() {
    return List.copyOf(left);
  }

  private void bringBackNamed() {
    for (String id : altered(before.units(), after.units())) {
      restore("unit:" + id, before.units().get(id), after.units().get(id), now.units().get(id), () -> new PeopleChange.SetUnit(before.units().get(id)));
    }
    for (String id : altered(before.roles(), after.roles())) {
      restore("role:" + id, before.roles().get(id), after.roles().get(id), now.roles().get(id), () -> new RoleChange.SetRole(before.roles().get(id)));
    }
    for (String id : altered(before.groups(), after.groups())) {
      Group was = before.groups().get(id);
      restore("group:" + id, called(was), called(after.groups().get(id)), called(now.groups().get(id)),
          () -> new PeopleChange.SetGroup(id, was.name(), was.description()));
    }
    for (String id : altered(before.types(), after.types())) {
      DocumentType was = before.types().get(id);
      restore("type:" + id, bare(was), bare(after.types().get(id)), bare(now.types().get(id)), () -> new TypeChange.SetType(was.cleared(List.of())));
    }
  }

  private void turnBackPeople() {
    for (String id : altered(before.people(), after.people())) {
      Person was = before.people().get(id);
      Person is = now.people().get(id);
      if (was == null && is != null && is.equals(after.people().get(id))) {
        changes.add(new PeopleChange.SetPerson(new Person(id, is.name(), is.login(), is.email(), is.external(), false, is.unit())));
      } else {
        restore("person:" + id, was, after.people().get(id), is, () -> new PeopleChange.SetPerson(was));
      }
    }
  }

  private void turnBackPlaces() {
    List<Place> gone = altered(before.places(), after.places()).stream().map(before.places()::get).filter(Objects::nonNull)
        .filter(place -> !after.places().containsKey(place.id())).toList();
    parentsFirst(gone).forEach(this::bringBack);
    for (String id : altered(before.places(), after.places())) {
      Place was = before.places().get(id);
      Place made = after.places().get(id);
      Place is = now.places().get(id);
      if (was != null && made != null) {
        if (is == null) {
          left.add(new Left("place:" + id, "It has been taken away since."));
        } else {
          turnBack(was, made, is);
        }
      }
    }
  }

  private void bringBack(Place place) {
    if (now.places().containsKey(place.id())) {
      left.add(new Left("place:" + place.id(), "It is there again."));
      return;
    }
    changes.add(new LayoutChange.AddPlace(place.guarded(Guards.NONE).in(Conditions.NONE)));
    if (place.guards().any()) {
      changes.add(new Change.SetGuards(place.id(), place.guards()));
    }
    for (Conditions.Condition condition : Conditions.Condition.values()) {
      if (place.conditions().has(condition)) {
        changes.add(putUnder(place, condition));
      }
    }
  }

  private void turnBack(Place was, Place made, Place is) {
    String id = was.id();
    part(id, was.name(), made.name(), is.name(), new LayoutChange.RenamePlace(id, was.name()), "Its name");
    part(id, was.parent(), made.parent(), is.parent(), was.parent() == null ? null : new LayoutChange.MovePlace(id, was.parent()), "Where it stands");
    part(id, was.labels(), made.labels(), is.labels(), new Change.SetLabels(id, was.labels()), "Its labels");
    part(id, was.guards(), made.guards(), is.guards(), new Change.SetGuards(id, was.guards()), "Its ceiling or house rules");
    part(id, List.of(Objects.toString(was.type()), Objects.toString(was.owner())), List.of(Objects.toString(made.type()), Objects.toString(made.owner())),
        List.of(Objects.toString(is.type()), Objects.toString(is.owner())), new LayoutChange.SetDocument(id, was.type(), was.owner()), "Its type or owner");
    if (!was.conditions().equals(made.conditions())) {
      for (Conditions.Condition condition : Conditions.Condition.values()) {
        if (made.conditions().has(condition) && !was.conditions().has(condition) && is.conditions().has(condition)) {
          changes.add(new Change.Release(id, condition));
        } else if (was.conditions().has(condition) && !made.conditions().has(condition)) {
          if (is.conditions().has(condition)) {
            left.add(new Left("place:" + id, "It is " + condition.words() + " again since."));
          } else {
            changes.add(putUnder(was, condition));
          }
        }
      }
    }
  }

  private static Change putUnder(Place was, Conditions.Condition condition) {
    boolean checkOut = condition == Conditions.Condition.CHECKED_OUT;
    return new Change.PutUnder(was.id(), condition, checkOut ? was.conditions().checkedOutBy() : null, checkOut ? was.conditions().checkedOutAt() : null);
  }

  private <T> void part(String place, T was, T made, T is, Change change, String what) {
    if (!Objects.equals(was, made)) {
      if (Objects.equals(is, made)) {
        changes.add(change);
      } else if (!Objects.equals(is, was)) {
        left.add(new Left("place:" + place, what + " was altered again since."));
      }
    }
  }

  /** Breaks and rejoinings first, since both discard or make entries; then whatever still differs, entry by entry. */
  private void turnBackLists() {
    Set<String> rejoined = new LinkedHashSet<>();
    for (String id : altered(before.places(), after.places())) {
      Place was = before.places().get(id);
      Place made = after.places().get(id);
      Place is = now.places().get(id);
      if (was != null && made != null && is != null && was.standsAlone() != made.standsAlone()) {
        if (is.standsAlone() != made.standsAlone()) {
          left.add(new Left("place:" + id, "It was " + (is.standsAlone() ? "broken" : "rejoined") + " again since."));
        } else if (was.standsAlone()) {
          changes.add(new Change.Break(id, Change.Start.EMPTY, List.of(), "undo"));
        } else {
          changes.add(new Change.Rejoin(id, false));
          rejoined.add(id);
        }
      }
    }
    turnBackEntries(before.grants(), after.grants(), now.grants(), rejoined);
    turnBackEntries(before.withholdings(), after.withholdings(), now.withholdings(), rejoined);
    for (String id : altered(before.oversights(), after.oversights())) {
      Oversight was = before.oversights().get(id);
      Oversight is = now.oversights().get(id);
      turnBack(was, after.oversights().get(id), is, "place:" + (was == null ? after.oversights().get(id) : was).place(),
          () -> new Change.RemoveOversight(is.place(), id), () -> new Change.AddOversight(was));
    }
  }

  private <T extends Entry> void turnBackEntries(Parts<T> before, Parts<T> after, Parts<T> now, Set<String> rejoined) {
    for (String id : altered(before, after)) {
      T was = before.get(id);
      T made = after.get(id);
      T is = now.get(id);
      String place = (was == null ? made : was).place();
      if (!rejoined.contains(place)) {
        turnBack(was, made, is, "place:" + place, () -> removing(is), () -> adding(was));
      }
    }
    // Rejoining discards the whole list: what stood there before the break, and still did until now, comes back.
    rejoined.forEach(place -> before.values().stream().filter(entry -> entry.place().equals(place)).sorted((a, b) -> a.id().compareTo(b.id()))
        .forEach(entry -> changes.add(adding(entry))));
  }

  private static Change adding(Entry entry) {
    return entry instanceof Grant grant ? new Change.AddGrant(grant) : new Change.AddWithholding((Withholding) entry);
  }

  private static Change removing(Entry entry) {
    return entry instanceof Grant ? new Change.RemoveGrant(entry.place(), entry.id()) : new Change.RemoveWithholding(entry.place(), entry.id());
  }

  private <T> void turnBack(T was, T made, T is, String thing, Making remove, Making add) {
    if (made != null && is == null) {
      left.add(new Left(thing, "An entry of it has been taken away since."));
    } else if (made == null && is != null) {
      left.add(new Left(thing, "The entry is there again."));
    } else if (made != null && !made.equals(is)) {
      left.add(new Left(thing, "An entry of it was altered again since."));
    } else {
      if (made != null) {
        changes.add(remove.make());
      }
      if (was != null) {
        changes.add(add.make());
      }
    }
  }

  private void turnBackMemberships() {
    for (String id : altered(before.groups(), after.groups())) {
      Group is = now.groups().get(id);
      Set<Membership> had = members(before.groups().get(id));
      Set<Membership> made = members(after.groups().get(id));
      boolean known = is != null || before.groups().containsKey(id);
      made.stream().filter(member -> known && !had.contains(member)).forEach(member -> {
        if (members(is).contains(member)) {
          changes.add(new Change.RemoveMember(id, member));
        } else {
          left.add(new Left("group:" + id, "A member has been taken out since."));
        }
      });
      had.stream().filter(member -> !made.contains(member)).forEach(member -> {
        boolean there = members(is).stream().anyMatch(other -> other.member().equals(member.member()) && other.period().overlaps(member.period()));
        if (there) {
          left.add(new Left("group:" + id, "A member has come back since."));
        } else {
          changes.add(new Change.AddMember(id, member));
        }
      });
    }
  }

  private void turnBackTypesAndWalls() {
    for (String id : altered(before.types(), after.types())) {
      List<Clearance> had = clearances(before.types().get(id));
      List<Clearance> made = clearances(after.types().get(id));
      List<Clearance> are = clearances(now.types().get(id));
      made.stream().filter(clearance -> !had.contains(clearance) && are.contains(clearance))
          .forEach(clearance -> changes.add(new Change.RemoveClearance(id, clearance)));
      had.stream().filter(clearance -> !made.contains(clearance) && !are.contains(clearance))
          .forEach(clearance -> changes.add(new Change.AddClearance(id, clearance)));
    }
    for (String id : altered(before.walls(), after.walls())) {
      Wall was = before.walls().get(id);
      Wall made = after.walls().get(id);
      Wall is = now.walls().get(id);
      if (was != null && made != null && is != null && was.except(List.of()).equals(made.except(List.of()))) {
        turnBackExceptions(was, made, is);
      } else if (!Objects.equals(is, made)) {
        left.add(new Left("wall:" + id, "The wall was altered again since."));
      } else {
        changes.add(was != null ? new Change.SetWall(was) : new Change.RemoveWall(id));
      }
    }
  }

  private void turnBackApprovals() {
    for (String id : altered(before.approvals(), after.approvals())) {
      ApprovalRule was = before.approvals().get(id);
      if (!Objects.equals(now.approvals().get(id), after.approvals().get(id))) {
        if (!Objects.equals(now.approvals().get(id), was)) {
          left.add(new Left("approval:" + id, "The rule of approval was altered again since."));
        }
      } else {
        changes.add(was != null ? new ApprovalChange.SetApproval(was) : new ApprovalChange.RemoveApproval(id));
      }
    }
  }

  /** Only the exceptions differ: whatever else has become of the wall since stays. */
  private void turnBackExceptions(Wall was, Wall made, Wall is) {
    made.exceptions().stream().filter(exempt -> !was.exceptions().contains(exempt)).forEach(exempt -> {
      if (is.exceptions().contains(exempt)) {
        changes.add(new Change.RemoveException(was.id(), exempt));
      } else {
        left.add(new Left("wall:" + was.id(), "The exception has been taken away since."));
      }
    });
    was.exceptions().stream().filter(exempt -> !made.exceptions().contains(exempt) && !is.exceptions().contains(exempt))
        .forEach(exempt -> changes.add(new Change.AddException(was.id(), exempt)));
  }

  /** What the change made goes last, the innermost first: by now nothing should name it. */
  private void removeMade() {
    List<Place> made = altered(before.places(), after.places()).stream().filter(id -> !before.places().containsKey(id))
        .map(now.places()::get).filter(Objects::nonNull).toList();
    List<Place> innermostFirst = new ArrayList<>(parentsFirst(made));
    Collections.reverse(innermostFirst);
    innermostFirst.forEach(place -> changes.add(new LayoutChange.RemovePlace(place.id())));
    made(before.types(), after.types(), now.types()).forEach(id -> changes.add(new TypeChange.RemoveType(id)));
    made(before.groups(), after.groups(), now.groups()).forEach(id -> changes.add(new PeopleChange.RemoveGroup(id)));
    made(before.roles(), after.roles(), now.roles()).forEach(id -> changes.add(new RoleChange.RemoveRole(id)));
    made(before.units(), after.units(), now.units()).forEach(id -> changes.add(new PeopleChange.RemoveUnit(id)));
  }

  private interface Making {
    Change make();
  }

  /** What existed before and was altered, or taken away, becomes as it was, unless it has been altered since. */
  private void restore(String thing, Object was, Object made, Object is, Making change) {
    if (was == null || Objects.equals(was, made)) {
      return;
    }
    if (Objects.equals(is, made)) {
      changes.add(change.make());
    } else if (!Objects.equals(is, was)) {
      left.add(new Left(thing, "It was altered again since."));
    }
  }

  private static <T> Collection<String> altered(Parts<T> before, Parts<T> after) {
    return before.differing(after).stream().sorted().toList();
  }

  private static <T> Stream<String> made(Parts<T> before, Parts<T> after, Parts<T> now) {
    return altered(before, after).stream().filter(id -> !before.containsKey(id) && now.containsKey(id));
  }

  private static List<Place> parentsFirst(List<Place> places) {
    List<Place> ordered = new ArrayList<>();
    Set<String> left = new LinkedHashSet<>();
    places.forEach(place -> left.add(place.id()));
    while (!left.isEmpty()) {
      List<Place> next = places.stream().filter(place -> left.contains(place.id()) && !left.contains(place.parent())).toList();
      next.forEach(place -> left.remove(place.id()));
      ordered.addAll(next);
    }
    return ordered;
  }

  /** What a group is called, without its members. */
  private static Object called(Group group) {
    return group == null ? null : group.with(List.of());
  }

  private static Object bare(DocumentType type) {
    return type == null ? null : type.cleared(List.of());
  }

  private static Set<Membership> members(Group group) {
    return group == null ? Set.of() : new LinkedHashSet<>(group.members());
  }

  private static List<Clearance> clearances(DocumentType type) {
    return type == null ? List.of() : type.clearances();
  }
}
