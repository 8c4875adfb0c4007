package palegate.core.viewpoint;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.ChangeAtPlace;
import palegate.core.changes.GuardChange;
import palegate.core.changes.PassChange;
import palegate.core.changes.ShareChange;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Rights;
import palegate.core.sharing.Pass;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;

/**
 * Whether somebody's duties cover what a draft does (section 9). Judged by what the draft makes of the structure and of people's rights,
 * at every instant from now on, and not by lists of kinds: so it is the same for whatever way the draft came about.
 */
public final class Authority {
  /**
   * Something that the asker's duties do not cover.
   *
   * @param duty what it takes
   * @param what in a sentence
   * @param remedy what would be right
   */
  public record Beyond(Duty duty, String what, String remedy) {}

  private final Asker asker;
  private final StructureDifference difference;
  private final Structure before;
  private final Structure after;
  private final Snapshot was;
  private final Set<Beyond> beyond = new LinkedHashSet<>();

  private Authority(Asker asker, Rehearsal rehearsal) {
    this.asker = asker;
    difference = rehearsal.altered();
    before = difference.before();
    after = difference.after();
    was = rehearsal.before();
  }

  /** Whether somebody may draft such a change anywhere at all: they hold its duty, or it is about the list of a place that they govern. */
  public static boolean mayDraft(Asker asker, Change change) {
    if (change instanceof PassChange ofPass) {
      return mayDraft(asker, ofPass);
    }
    boolean ofList = change instanceof AccessChange || change instanceof ShareChange || change instanceof GuardChange.Release;
    return asker.holds(change.duty()) || ofList && asker.governs(((ChangeAtPlace) change).place());
  }

  /** A pass is opened at its address, by whoever it is for, and by no draft. */
  private static boolean mayDraft(Asker asker, PassChange change) {
    Pass pass = change instanceof PassChange.SetPass set ? set.given() : asker.snapshot().structure().passes().get(change.pass());
    return !(change instanceof PassChange.OpenPass) && (asker.holds(Duty.ACCESS) || pass != null && asker.governs(pass.place()));
  }

  /** Everything of a draft that its author's duties do not cover; empty if they cover all of it. O(what it alters × duties held). */
  public static List<Beyond> beyond(Asker asker, Rehearsal rehearsal) {
    Authority authority = new Authority(asker, rehearsal);
    authority.lists();
    authority.places();
    authority.people();
    authority.rest();
    authority.dutiesByTheWay(rehearsal);
    if (authority.beyond.isEmpty() && asker.held().stream().anyMatch(given -> given.duty() == Duty.ACCESS && given.ceiling() != null)) {
      authority.ceilings(rehearsal);
    }
    return List.copyOf(authority.beyond);
  }

  private void lists() {
    each(difference.grants(), Structure::grants, entry -> coversList(entry.place()), Entry::place, Duty.ACCESS, "the access list of");
    each(difference.withholdings(), Structure::withholdings, entry -> coversList(entry.place()), Entry::place, Duty.ACCESS, "the access list of");
    each(difference.oversights(), Structure::oversights, oversight -> covers(Duty.OVERSIGHT, oversight.place()), oversight -> oversight.place(), Duty.OVERSIGHT, "who oversees");
  }

  private <T> void each(Set<String> ids, Function<Structure, Parts<T>> parts, Function<T, Boolean> covered, Function<T, String> place, Duty duty, String what) {
    ids.forEach(id -> Stream.of(before, after).map(structure -> Optional.<T>ofNullable(parts.apply(structure).get(id))).flatMap(Optional::stream)
        .filter(part -> !covered.apply(part)).forEach(part -> refuse(duty, what + " “" + name(place.apply(part)) + "”")));
  }

  private boolean covers(Duty duty, String place) {
    return Stream.of(before, after).allMatch(structure -> !structure.places().containsKey(place) || asker.holdsAt(duty, structure, place));
  }

  private boolean coversList(String place) {
    return covers(Duty.ACCESS, place) || asker.governs(place);
  }

  private void places() {
    for (String id : difference.places()) {
      Place from = before.places().get(id);
      Place to = after.places().get(id);
      boolean moved = to != null && (from == null || !Objects.equals(from.parent(), to.parent()));
      boolean covered = covers(Duty.ACCESS, id) && (!moved || to.parent() == null || covers(Duty.ACCESS, to.parent())) || from != null && to != null && onlyItsList(from, to) && asker.governs(id);
      if (!covered) {
        refuse(Duty.ACCESS, "“" + name(id) + "”");
      }
    }
  }

  /** Whether nothing but a break and conditions differs. */
  private static boolean onlyItsList(Place from, Place to) {
    Place like = to.standsAlone() ? from.broken() : from.following();
    boolean released = !(to.conditions().isPrivate() && !from.conditions().isPrivate()) && !(to.conditions().frozen() && !from.conditions().frozen())
        && (to.conditions().checkedOutBy() == null || Objects.equals(to.conditions().checkedOutBy(), from.conditions().checkedOutBy()));
    return like.in(to.conditions()).equals(to) && released;
  }

  private void people() {
    for (String id : difference.people()) {
      Stream.of(before.people().get(id), after.people().get(id)).filter(Objects::nonNull).filter(person -> !administers(person))
          .forEach(person -> refuse(Duty.PEOPLE, person.name()));
    }
    for (String id : difference.units()) {
      Stream.of(before.units().get(id), after.units().get(id)).filter(Objects::nonNull).filter(unit -> !administersUnit(unit))
          .forEach(unit -> refuse(Duty.PEOPLE, "the unit " + unit.name()));
    }
    for (String id : difference.groups()) {
      group(before.groups().get(id), after.groups().get(id));
    }
  }

  private boolean administers(Person person) {
    return asker.administersUnit(before, person.unit()) || person.unit() != null && !before.units().containsKey(person.unit()) && asker.administersUnit(after, person.unit());
  }

  /** A unit that is named as one's scope is not one's own to change, what is below it is. */
  private boolean administersUnit(Unit unit) {
    Structure known = before.units().containsKey(unit.id()) ? before : after;
    return asker.administersEverybody() || unit.parent() != null && asker.administersUnit(known, unit.parent());
  }

  /** Whoever administers some people only moves those, and renames and removes groups of nobody else. */
  private void group(Group from, Group to) {
    if (asker.administersEverybody()) {
      return;
    }
    Group named = to == null ? from : to;
    boolean called = from == null || to == null || !from.with(List.of()).equals(to.with(List.of()));
    List<Membership> had = from == null ? List.of() : from.members();
    List<Membership> has = to == null ? List.of() : to.members();
    Set<Membership> altered = new HashSet<>(had);
    altered.removeAll(has);
    has.stream().filter(member -> !had.contains(member)).forEach(altered::add);
    boolean others = altered.stream().anyMatch(member -> !administers(member)) || called && from != null && had.stream().anyMatch(member -> !administers(member));
    if (others || !asker.holds(Duty.PEOPLE)) {
      refuse(Duty.PEOPLE, "the group " + named.name() + ", in which there are others");
    }
  }

  private boolean administers(Membership membership) {
    Person person = membership.member() instanceof Membership.PersonMember ? before.people().getOrDefault(membership.member().id(), after.people().get(membership.member().id())) : null;
    return person != null && administers(person);
  }

  private void rest() {
    take(difference.roles(), asker.keepsEverything(), Duty.ACCESS, "roles, which are the same in the whole repository");
    take(difference.approvals(), asker.keepsEverything(), Duty.ACCESS, "rules of approval, which are the same in the whole repository");
    take(difference.types(), asker.holds(Duty.TYPES), Duty.TYPES, "document types");
    take(difference.walls(), asker.holds(Duty.WALLS), Duty.WALLS, "walls");
    difference.sharing().stream().filter(place -> !coversList(place)).forEach(place -> refuse(Duty.ACCESS, "who shares at “" + name(place) + "”"));
    each(difference.passes(), Structure::passes, pass -> coversList(pass.place()), Pass::place, Duty.ACCESS, "the passes to");
    // Whoever keeps everything brings back what was, as it was.
    if (!asker.keepsEverything()) {
      new InOthersNames(asker.id(), was, after).tell(difference, (what, remedy) -> beyond.add(new Beyond(Duty.ACCESS, what, remedy)));
    }
    difference.shortlists().stream().filter(unit -> !asker.administersUnit(before.units().containsKey(unit) ? before : after, unit))
        .forEach(unit -> refuse(Duty.PEOPLE, "whom sharing proposes in a unit"));
    take(difference.separations(), asker.keepsEverything(), Duty.ACCESS, "separations, which are the same in the whole repository");
    take(difference.duties(), asker.holds(Duty.SYSTEM), Duty.SYSTEM, "duties");
  }

  /** Who is let into a group or a unit that holds a duty, or is made active again, comes to hold it: that takes {@code system}, at whatever instant it begins. */
  private void dutiesByTheWay(Rehearsal rehearsal) {
    boolean mayBe = !difference.people().isEmpty() || !difference.groups().isEmpty() || !difference.units().isEmpty();
    if (!mayBe || asker.holds(Duty.SYSTEM)) {
      return;
    }
    for (RightsDifference at : rehearsal.differences()) {
      SnapshotAt then = rehearsal.before().at(at.instant());
      SnapshotAt now = rehearsal.after().at(at.instant());
      for (DutyAssignment given : after.duties().values()) {
        Set<String> had = before.duties().containsKey(given.id()) ? holders(then, given, at.instant()) : Set.of();
        holders(now, given, at.instant()).stream().filter(person -> !had.contains(person)).sorted().findFirst().ifPresent(person ->
            refuse(Duty.SYSTEM, "who holds the duty [" + given.duty().word() + "]: " + after.people().get(person).name() + " would"));
      }
    }
  }

  private static Set<String> holders(SnapshotAt at, DutyAssignment given, Instant instant) {
    return given.period().holdsAt(instant) ? at.matching(given.subject()).and(at.active()).stream().mapToObj(at.snapshot()::person).map(Person::id).collect(Collectors.toSet()) : Set.of();
  }

  private void take(Set<String> altered, boolean covered, Duty duty, String what) {
    if (!altered.isEmpty() && !covered) {
      refuse(duty, what);
    }
  }

  private void refuse(Duty duty, String what) {
    beyond.add(new Beyond(duty, asker.holds(duty) ? "Your duty [" + duty.word() + "] does not cover " + what + "." : "It changes " + what + ", which takes the duty [" + duty.word() + "].",
        "Ask somebody who holds the duty [" + duty.word() + "] there."));
  }

  private String name(String place) {
    Place known = before.places().containsKey(place) ? before.places().get(place) : after.places().get(place);
    return known == null ? place : known.name();
  }

  /** Nothing is given, by an entry or by what follows from anything, that is above the ceiling role of the duty by which it is given. */
  private void ceilings(Rehearsal rehearsal) {
    difference.grants().stream().map(after.grants()::get).filter(Objects::nonNull).filter(grant -> !reachedAlready(grant)).forEach(grant ->
        bound(grant.place(), rights(after, grant), "gives [" + after.roles().get(grant.role()).name() + "]"));
    difference.withholdings().forEach(id -> {
      Withholding from = before.withholdings().get(id);
      Withholding to = after.withholdings().get(id);
      if (from != null && !reachedAgain(from, to)) {
        bound(from.place(), from.rights(), "takes back a withholding");
      }
    });
    for (RightsDifference at : rehearsal.differences()) {
      at.places().filter(shift -> !shift.gained().isEmpty()).forEach(shift -> bound(shift.place().id(), shift.gained(), "gives"));
    }
  }

  private void bound(String place, Rights given, String how) {
    Structure known = after.places().containsKey(place) ? after : before;
    Rights allowed = asker.governs(place) ? Rights.ALL : asker.mayGive(known, place);
    Rights above = allowed == null ? Rights.NONE : given.minus(allowed);
    if (!above.isEmpty()) {
      beyond.add(new Beyond(Duty.ACCESS, "At “" + name(place) + "” it " + how + ", and with that [" + above + "], which is above what your duty lets you give.",
          "Give [" + allowed + "] or less, or ask somebody whose duty has no such ceiling."));
    }
  }

  /** Carrying an entry over a break gives nothing that did not hold: the same one reached the place before. */
  private boolean reachedAlready(Grant grant) {
    int place = was.placeNumber(grant.place());
    boolean broken = place >= 0 && !was.standsAlone(place) && after.places().containsKey(grant.place()) && after.places().get(grant.place()).standsAlone();
    return broken && was.reachingEntries(place).stream().anyMatch(entry -> entry instanceof Grant known && sameBut(known, grant)
        && rights(before, known).containsAll(rights(after, grant)));
  }

  /** Nor does a withholding that goes, where another one says the same. */
  private boolean reachedAgain(Withholding from, Withholding to) {
    return to != null && sameBut(from, to) && to.place().equals(from.place()) && to.rights().containsAll(from.rights());
  }

  private static boolean sameBut(Entry one, Entry other) {
    return one.subject().equals(other.subject()) && one.types().equals(other.types()) && one.period().equals(other.period());
  }

  private static Rights rights(Structure structure, Grant grant) {
    return structure.roles().get(grant.role()).rights();
  }

  /** All that is beyond the author, in one sentence. */
  public static String words(List<Beyond> beyond) {
    List<String> words = new ArrayList<>();
    beyond.forEach(one -> words.add(one.what()));
    return String.join(" ", words);
  }
}
