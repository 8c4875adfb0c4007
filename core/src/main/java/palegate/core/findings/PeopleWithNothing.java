package palegate.core.findings;

import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.PrimitiveIterator;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.changes.PeopleChange;
import palegate.core.collections.PersonSet;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/** People who can reach nothing. */
final class PeopleWithNothing implements Rule {
  private static final int FEW = 24;

  @Override
  public String code() {
    return "people-with-nothing";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "people who can reach nothing";
  }

  @Override
  public String matters() {
    return "They are listed and have no use of it, or something was forgotten for them.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    List<Person> people = withNothing(survey).stream().mapToObj(survey.snapshot()::person).sorted(Comparator.comparing(Person::id)).toList();
    Set<String> needed = needed(survey, people.stream().filter(Person::external).map(Person::id).collect(Collectors.toSet()));
    return people.stream().map(person -> new Finding(code(), severity(), "person:" + person.id(), "",
        person.name() + (person.external() ? ", an outsider," : "") + " can reach nothing.", List.of(), person.external() && !needed.contains(person.id()) ? List.of(Fix.of("Make them inactive", new PeopleChange.SetPerson(new Person(person.id(), person.name(), person.login(), person.email(), true, false, person.unit())))) : List.of()));
  }

  @Override
  public boolean fixesAreSure() {
    return false;
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }

  /** Where each of the active people finds something: whoever has no such place has nothing. */
  private record Found(Map<String, String> placeOf) {}

  private static PersonSet withNothing(Survey survey) {
    Snapshot snapshot = survey.snapshot();
    Found found = survey.from("where people find something", (before, touched) -> before == null || touched.everywhere() ? afresh(survey.moment()) : again(survey.moment(), before, touched));
    return PersonSet.of(survey.moment().active().stream().filter(person -> !found.placeOf().containsKey(snapshot.person(person).id())).toArray());
  }

  private static Found afresh(SnapshotAt moment) {
    Map<String, String> placeOf = new HashMap<>();
    look(moment, moment.active(), placeOf);
    return new Found(placeOf);
  }

  /** Whoever lost the place where they found something is looked at everywhere; whoever had nothing, where something was touched. */
  private static Found again(SnapshotAt moment, Found before, Touched touched) {
    Snapshot snapshot = moment.snapshot();
    Map<String, String> placeOf = new HashMap<>(before.placeOf());
    long[] lost = new long[snapshot.personRoom() / 64 + 1];
    long[] had = new long[snapshot.personRoom() / 64 + 1];
    moment.active().forEach(person -> {
      String place = before.placeOf().get(snapshot.person(person).id());
      if (place == null) {
        had[person >> 6] |= 1L << person;
      } else if (touched.concerns(place) && (snapshot.placeNumber(place) < 0 || !moment.rights(person, snapshot.placeNumber(place)).contains(Right.FIND))) {
        lost[person >> 6] |= 1L << person;
        placeOf.remove(snapshot.person(person).id());
      }
    });
    BitSet seen = new BitSet();
    PersonSet nothing = PersonSet.copyOf(had);
    for (PrimitiveIterator.OfInt places = touched.places().iterator(); places.hasNext() && !nothing.isEmpty();) {
      int place = places.nextInt();
      int number = moment.classOf(place);
      if (!seen.get(number)) {
        seen.set(number);
        nothing = nothing.minus(take(moment, number, nothing, snapshot.place(place).id(), placeOf));
      }
    }
    look(moment, PersonSet.copyOf(lost), placeOf);
    return new Found(placeOf);
  }

  private static PersonSet take(SnapshotAt moment, int number, PersonSet among, String place, Map<String, String> placeOf) {
    PersonSet finding = moment.holdersOfInClass(Right.FIND, number).and(among);
    finding.forEach(person -> placeOf.put(moment.snapshot().person(person).id(), place));
    return finding;
  }

  /** Class after class takes away those who find something there, until so few are left that they are asked about one by one. */
  private static void look(SnapshotAt moment, PersonSet people, Map<String, String> placeOf) {
    if (people.isEmpty()) {
      return;
    }
    String[] placeIn = new String[moment.classCount()];
    moment.snapshot().places().filter(place -> placeIn[moment.classOf(place)] == null).forEach(place -> placeIn[moment.classOf(place)] = moment.snapshot().place(place).id());
    PersonSet left = people;
    int at = 0;
    for (; at < placeIn.length && left.size() > FEW; at++) {
      if (placeIn[at] != null) {
        left = left.minus(take(moment, at, left, placeIn[at], placeOf));
      }
    }
    int from = at;
    left.forEach(person -> IntStream.range(from, placeIn.length).filter(i -> placeIn[i] != null && (moment.rightsInClass(person, i) & Rights.bit(Right.FIND)) != 0).findFirst()
        .ifPresent(i -> placeOf.put(moment.snapshot().person(person).id(), placeIn[i])));
  }

  /** Which of some people own something, or are to oversee something. */
  private static Set<String> needed(Survey survey, Set<String> people) {
    // Asked for each time, so that it is kept for the next.
    List<Place> owned = survey.ownedBy("owned by outsiders", Person::external);
    return people.isEmpty() ? Set.of() : Stream.concat(owned.stream().map(Place::owner),
        survey.structure().oversights().values().stream().filter(one -> one.subject() instanceof Subject.OfPerson).map(one -> one.subject().id())).filter(people::contains).collect(Collectors.toSet());
  }
}
