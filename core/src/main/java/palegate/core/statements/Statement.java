package palegate.core.statements;

import java.time.Instant;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.PrimitiveIterator;
import java.util.Spliterator;
import java.util.Spliterators;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.people.Person;
import palegate.core.people.PersonSet;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Moment;
import palegate.core.snapshot.Snapshot;

/**
 * The rows of a report on standing rights at one instant: who can reach a place and what is below
 * it, or what one person can reach. Rows are made lazily, in tree order, then by name; the totals
 * are counted first and without making them.
 */
public final class Statement {
  /** What a statement is about. */
  public sealed interface Scope {
    /** Everyone who can reach a place or what is below it; named by its number. */
    record PlaceAndBelow(int place) implements Scope {}

    /** Everything that one person can reach; named by their number. */
    record OnePerson(int person) implements Scope {}
  }

  /**
   * One person at one place.
   *
   * @param sources the grants that name the person
   * @param oversights the appointments, here or above, that name them; never of an outsider
   */
  public record Row(Person person, Place place, String path, Rights rights, List<Source> sources, List<Oversight> oversights) {
    public Row {
      sources = List.copyOf(sources);
      oversights = List.copyOf(oversights);
    }
  }

  /** A grant that contributed: the role, to whom, and where it stands. */
  public record Source(Grant grant, String roleName, Place place, boolean here) {}

  /** Counted over all rows; a row is one person at one place. */
  public record Counts(long rows, int people, int outsiders, int places, int documents) {}

  /** A grant that acts at a place and the people it names. */
  private record Acting(Source source, PersonSet people) {}

  private final Snapshot snapshot;
  private final Moment moment;
  private final Instant instant;
  private final Scope scope;
  private final boolean documents;
  /** In small letters; empty if all rows are wanted. */
  private final String text;
  /** Whose names contain the text. */
  private final PersonSet named;

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
    named = PersonSet.of(IntStream.range(0, this.text.isEmpty() ? 0 : snapshot.personCount())
        .filter(person -> contains(snapshot.person(person).name())).toArray());
  }

  /** The rows of this statement whose person's name or whose place's path contains a text, in capitals or not. */
  public Statement finding(String wanted) {
    return new Statement(snapshot, instant, scope, documents, wanted);
  }

  /** O(places in scope + classes × people / 64). */
  public Counts counts() {
    RowsAt rowsAt = new RowsAt();
    long rows = 0;
    int places = 0;
    int papers = 0;
    for (int place : places().toArray()) {
      int here = rowsAt.count(place);
      if (here > 0) {
        rows += here;
        places++;
        papers += snapshot.place(place).isDocument() ? 1 : 0;
      }
    }
    PersonSet people = rowsAt.people();
    return new Counts(rows, people.size(),
        people.sizeOfAnd(moment.activeOutsiders()), places, papers);
  }

  /** Lazily, place after place; memory does not grow with the number of rows. */
  public Stream<Row> rows() {
    return places().boxed().flatMap(place -> rowsAt(place, peopleAt(place)));
  }

  /** The same from an offset on; places whose rows all come before it are passed over without making one. O(places before it). */
  public Stream<Row> rowsFrom(long offset) {
    PrimitiveIterator.OfInt places = places().iterator();
    RowsAt rowsAt = new RowsAt();
    long left = offset;
    while (places.hasNext()) {
      int place = places.nextInt();
      int here = rowsAt.count(place);
      if (here > left) {
        Stream<Row> rest = StreamSupport.stream(Spliterators.spliteratorUnknownSize(places, Spliterator.ORDERED), false)
            .flatMap(next -> rowsAt(next, peopleAt(next)));
        return Stream.concat(rowsAt(place, peopleAt(place)).skip(left), rest);
      }
      left -= here;
    }
    return Stream.empty();
  }

  /** The same rows by the names of the people, each person's in tree order. Lazily; O(places) for each person. */
  public Stream<Row> rowsByPerson() {
    IntStream people = scope instanceof Scope.OnePerson one ? IntStream.of(one.person()) : IntStream.range(0, snapshot.personCount());
    return people.boxed().sorted(byName()).flatMap(person -> places()
        .filter(place -> !moment.rights(person, place).isEmpty() && (named.contains(person) || contains(place)))
        .boxed().flatMap(place -> rowsAt(place, PersonSet.of(person))));
  }

  private boolean contains(String words) {
    return words.toLowerCase(Locale.ROOT).contains(text);
  }

  private boolean contains(int place) {
    return text.isEmpty() || contains(snapshot.pathText(place));
  }

  private IntStream places() {
    int top = scope instanceof Scope.PlaceAndBelow below ? below.place() : 0;
    IntStream all = snapshot.placeCount() == 0 ? IntStream.empty() : snapshot.inDisplayOrder(top);
    return documents ? all : all.filter(place -> snapshot.place(place).kind().isContainer());
  }

  /** How many rows each place has: worked out once for all places that are treated alike, and of which as many people are wanted. */
  private final class RowsAt {
    private static final int UNKNOWN = -1;
    private final int[] all = unknown();
    private final int[] named = unknown();
    private final long[] people = new long[snapshot.personRoom() + Long.SIZE - 1 >> 6];

    private int[] unknown() {
      int[] counts = new int[moment.classCount()];
      Arrays.fill(counts, UNKNOWN);
      return counts;
    }

    int count(int place) {
      int[] counts = contains(place) ? all : named;
      int number = moment.classOf(place);
      if (counts[number] == UNKNOWN) {
        PersonSet here = peopleAt(place);
        here.addTo(people);
        counts[number] = here.size();
      }
      return counts[number];
    }

    /** Everyone of whom there is a row at a place that has been counted. */
    PersonSet people() {
      return PersonSet.copyOf(people);
    }
  }

  private PersonSet peopleAt(int place) {
    PersonSet people = scope instanceof Scope.OnePerson one
        ? moment.rights(one.person(), place).isEmpty() ? PersonSet.NOBODY : PersonSet.of(one.person())
        : moment.holdersOf(Right.FIND, place);
    return people.isEmpty() || contains(place) ? people : people.and(named);
  }

  private Stream<Row> rowsAt(int place, PersonSet people) {
    if (people.isEmpty()) {
      return Stream.empty();
    }
    String path = snapshot.pathText(place);
    List<Acting> acting = acting(place);
    List<Oversight> overseers = snapshot.path(place).stream().flatMap(at -> snapshot.ownOversights(at).stream())
        .filter(oversight -> oversight.period().holdsAt(instant)).toList();
    return people.stream().boxed().sorted(byName()).map(person -> new Row(
        snapshot.person(person), snapshot.place(place), path, moment.rights(person, place),
        acting.stream().filter(grant -> grant.people().contains(person)).map(Acting::source).toList(),
        snapshot.person(person).external() ? List.of()
            : overseers.stream().filter(oversight -> moment.matches(person, oversight.subject())).toList()));
  }

  private Comparator<Integer> byName() {
    return Comparator.comparing((Integer person) -> snapshot.person(person).name()).thenComparing(person -> snapshot.person(person).id());
  }

  private List<Acting> acting(int place) {
    Place here = snapshot.place(place);
    return snapshot.reachingEntries(place).stream()
        .filter(entry -> entry instanceof Grant && entry.period().holdsAt(instant) && entry.touches(here.type()))
        .map(entry -> new Acting(source((Grant) entry, here), moment.matching(entry.subject())))
        .toList();
  }

  private Source source(Grant grant, Place here) {
    Place source = snapshot.structure().places().get(grant.place());
    return new Source(grant, snapshot.structure().roles().get(grant.role()).name(), source, source.equals(here));
  }
}
