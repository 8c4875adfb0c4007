package palegate.core.statements;

import java.time.Instant;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.collections.Later;
import palegate.core.collections.PersonSet;
import palegate.core.people.PeopleAtPlaces;
import palegate.core.people.PeopleAtPlaces.Order;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.PathSearch;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/**
 * The rows of a report on standing rights at one instant: who can reach a place and what is below
 * it, or what one person can reach. Rows are made lazily, in tree order, then by name, or by name first; the
 * totals are counted first and without making them.
 */
public final class Statement {
  /** What a statement is about. */
  public sealed interface Scope {
    /** Everyone who can reach a place or what is below it; named by its number. */
    record PlaceAndBelow(int place) implements Scope {}

    /** Everything at and below a place that any of some people can reach. */
    record SomePeople(int place, PersonSet people) implements Scope {}
  }

  /**
   * One person at one place.
   *
   * @param sources the grants that name the person
   * @param oversights the appointments, here or above, that name them; never of an outsider
   * @param leadsTo what a link shows, and whether they can read it there, where that is decided; null for any other place
   */
  public record Row(Person person, Place place, String path, Rights rights, List<Source> sources, List<Oversight> oversights, LeadsTo leadsTo) {
    public Row {
      sources = List.copyOf(sources);
      oversights = List.copyOf(oversights);
    }
  }

  /** Where a link leads to. */
  public record LeadsTo(Place target, boolean opens) {}

  /** A grant that contributed: the role, to whom, and where it stands. */
  public record Source(Grant grant, String roleName, Place place, boolean here) {}

  /** Counted over all rows; a row is one person at one place. */
  public record Counts(long rows, int people, int outsiders, int places, int documents) {}

  private final Snapshot snapshot;
  private final SnapshotAt moment;
  private final Instant instant;
  private final Scope scope;
  private final boolean documents;
  /** In small letters; empty if all rows are wanted. */
  private final String text;
  /** The places that may have rows, in tree order. */
  private final Later<int[]> places;
  private final Later<PeopleAtPlaces> list;
  private final Later<Counts> counts;

  /**
   * Prepares a statement.
   *
   * @param documents whether documents and links have rows of their own, beside libraries and folders
   */
  public Statement(Snapshot snapshot, Instant instant, Scope scope, boolean documents) {
    this(snapshot, instant, scope, documents, "");
  }

  private Statement(Snapshot snapshot, Instant instant, Scope scope, boolean documents, String text) {
    this.snapshot = Objects.requireNonNull(snapshot);
    this.instant = Objects.requireNonNull(instant);
    this.scope = Objects.requireNonNull(scope);
    this.documents = documents;
    this.text = text.strip().toLowerCase(Locale.ROOT);
    moment = snapshot.at(instant);
    places = new Later<>(this::findPlaces);
    list = new Later<>(this::makeList);
    counts = new Later<>(this::count);
  }

  /** The rows of this statement whose person's name or whose place's path contains a text, in capitals or not. */
  public Statement finding(String wanted) {
    return new Statement(snapshot, instant, scope, documents, wanted);
  }

  /** O(places in scope + classes × people / 64) the first time. */
  public Counts counts() {
    return counts.get();
  }

  /** All rows, place after place. */
  public Stream<Row> rows() {
    return rows(Order.PLACE, false, 0);
  }

  /**
   * The rows from an offset on, made as they are read; memory does not grow with their number.
   *
   * @param turned from the last row to the first
   */
  public Stream<Row> rows(Order order, boolean turned, long offset) {
    int[] at = places.get();
    Reading reading = new Reading();
    return list.get().from(order, turned, offset).map(line -> reading.row(at[line.position()], line.person()));
  }

  private Counts count() {
    PersonSet people = list.get().people();
    int[] found = list.get().places().map(position -> places.get()[position]).toArray();
    int papers = (int) IntStream.of(found).filter(place -> snapshot.place(place).isDocument()).count();
    return new Counts(list.get().count(), people.size(), people.sizeOfAnd(moment.activeOutsiders()), found.length, papers);
  }

  private int[] findPlaces() {
    int top = scope instanceof Scope.PlaceAndBelow below ? below.place() : scope instanceof Scope.SomePeople some ? some.place() : 0;
    IntStream all = snapshot.placeCount() == 0 ? IntStream.empty() : snapshot.inDisplayOrder(top);
    return (documents ? all : all.filter(place -> snapshot.place(place).kind().isContainer())).toArray();
  }

  private PeopleAtPlaces makeList() {
    int[] at = places.get();
    int[] classes = IntStream.of(at).map(moment::classOf).toArray();
    int[] people = IntStream.range(0, snapshot.personCount()).boxed().sorted(byName()).mapToInt(Integer::intValue).toArray();
    PersonSet named = PersonSet.of(IntStream.range(0, text.isEmpty() ? 0 : snapshot.personCount()).filter(person -> snapshot.person(person).name().toLowerCase(Locale.ROOT).contains(text)).toArray());
    return new PeopleAtPlaces(classes, new InScope(), placesWithoutText(at), named, people);
  }

  /** The positions of places whose paths do not contain the text. */
  private BitSet placesWithoutText(int[] at) {
    BitSet without = new BitSet();
    PathSearch search = new PathSearch(snapshot, text);
    for (int position = 0; position < at.length; position++) {
      without.set(position, !search.finds(at[position]));
    }
    return without;
  }

  /** Who can find the places of a class, of those whom the statement is about. */
  private final class InScope implements PeopleAtPlaces.Kinds {
    @Override
    public PersonSet people(int classNumber) {
      return scope instanceof Scope.SomePeople some ? moment.holdersOfInClass(Right.FIND, classNumber).and(some.people()) : moment.holdersOfInClass(Right.FIND, classNumber);
    }

    @Override
    public boolean lists(int classNumber, int person) {
      return (!(scope instanceof Scope.SomePeople some) || some.people().contains(person)) && moment.rightsInClass(person, classNumber) != 0;
    }
  }

  /** Makes rows one after another; what acts at a place is looked up once for those that follow each other. */
  private final class Reading {
    private int place = -1;
    private String path;
    private List<Source> sources;
    private List<Oversight> overseers;

    Row row(int place, int person) {
      if (place != this.place) {
        this.place = place;
        path = snapshot.pathText(place);
        sources = sources(place);
        overseers = snapshot.path(place).stream().flatMap(at -> snapshot.ownOversights(at).stream())
            .filter(oversight -> oversight.period().holdsAt(instant)).toList();
      }
      Person who = snapshot.person(person);
      return new Row(who, snapshot.place(place), path, moment.rights(person, place),
          sources.stream().filter(source -> moment.matches(person, source.grant().subject())).toList(),
          who.external() ? List.of() : overseers.stream().filter(oversight -> moment.matches(person, oversight.subject())).toList(), leadsTo(place, person));
    }

    private LeadsTo leadsTo(int place, int person) {
      String shown = snapshot.place(place).target();
      int target = shown == null ? -1 : snapshot.placeNumber(shown);
      return target < 0 ? null : new LeadsTo(snapshot.place(target), moment.rights(person, target).contains(Right.READ));
    }
  }

  private Comparator<Integer> byName() {
    return Comparator.comparing((Integer person) -> snapshot.person(person).name()).thenComparing(person -> snapshot.person(person).id());
  }

  private List<Source> sources(int place) {
    Place here = snapshot.place(place);
    return snapshot.reachingEntries(place).stream()
        .filter(entry -> entry instanceof Grant && entry.period().holdsAt(instant) && entry.touches(here.type()))
        .map(entry -> source((Grant) entry, here))
        .toList();
  }

  private Source source(Grant grant, Place here) {
    Place source = snapshot.structure().places().get(grant.place());
    return new Source(grant, snapshot.structure().roles().get(grant.role()).name(), source, source.equals(here));
  }
}
