package palegate.core.rehearsal;

import java.util.BitSet;
import java.util.Comparator;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.collections.PersonSet;
import palegate.core.people.PeopleAtPlaces;
import palegate.core.people.Person;
import palegate.core.roles.Rights;
import palegate.core.snapshot.PathSearch;

/**
 * Those of the pairs of a difference that are looked for: counted first, and made as they are read, from any of them on.
 */
public final class FoundPairs {
  /**
   * Which pairs are looked for.
   *
   * @param gains whether those that gain one of the rights
   * @param losses whether those that lose one of them
   * @param place only at this place; everywhere if it is null
   * @param below only at this place and below it, before or after; everywhere if it is null
   * @param text contained in the person's name or the place's path, in capitals or not
   */
  public record Wanted(boolean gains, boolean losses, Rights rights, Predicate<Person> people, String place, String below, String text) {
    /** Whatever changes. */
    public static final Wanted ALL = new Wanted(true, true, Rights.ALL, any -> true, null, null, "");

    public Wanted {
      text = text.strip().toLowerCase(Locale.ROOT);
    }

    /** Wherever it is. */
    public Wanted(boolean gains, boolean losses, Rights rights, Predicate<Person> people, String place, String text) {
      this(gains, losses, rights, people, place, null, text);
    }

    private boolean containedIn(String words) {
      return words.toLowerCase(Locale.ROOT).contains(text);
    }
  }

  private final PlacesByClassPair spots;
  private final Numbering people;
  private final PlacesByClassPair.Spot[] at;
  private final PeopleAtPlaces list;
  private final DifferencesByClassPair shifts;
  private final PairTable pairs;

  /** @param changing the spots where anything changes, in the order of the list */
  FoundPairs(Wanted wanted, Stream<PlacesByClassPair.Spot> changing, PlacesByClassPair spots, PairTable pairs, DifferencesByClassPair shifts, Numbering people) {
    this.spots = spots;
    this.pairs = pairs;
    this.shifts = shifts;
    this.people = people;
    at = changing.toArray(PlacesByClassPair.Spot[]::new);
    int[] kinds = new int[at.length];
    BitSet withoutText = new BitSet();
    PathSearch before = new PathSearch(spots.before.snapshot(), wanted.text());
    PathSearch after = new PathSearch(spots.after.snapshot(), wanted.text());
    for (int position = 0; position < at.length; position++) {
      kinds[position] = spots.pair(pairs, at[position]);
      withoutText.set(position, !(at[position].after() >= 0 ? after.finds(at[position].after()) : before.finds(at[position].before())));
    }
    PersonSet named = numbers(person -> !wanted.text().isEmpty() && wanted.containedIn(person.name()));
    int[] byName = IntStream.range(0, people.count()).boxed().sorted(Comparator.comparing((Integer person) -> people.person(person).name())
        .thenComparing(person -> people.person(person).id())).mapToInt(Integer::intValue).toArray();
    list = new PeopleAtPlaces(kinds, new Changing(wanted, numbers(wanted.people())), withoutText, named, byName);
  }

  /** How many pairs there are. */
  public long count() {
    return list.count();
  }

  /**
   * The pairs from an offset on, made as they are read.
   *
   * @param turned from the last pair to the first
   */
  public Stream<RightsDifference.Pair> from(PeopleAtPlaces.Order order, boolean turned, long offset) {
    return list.from(order, turned, offset).map(line -> {
      PlacesByClassPair.Spot spot = at[line.position()];
      int pair = spots.pair(pairs, spot);
      return new RightsDifference.Pair(people.person(line.person()), spots.place(spot), spots.path(spot), shifts.before(pair, line.person()), shifts.after(pair, line.person()));
    });
  }

  private PersonSet numbers(Predicate<Person> wanted) {
    return PersonSet.of(IntStream.range(0, people.count()).filter(person -> wanted.test(people.person(person))).toArray());
  }

  /** For whom of those who are looked for anything changes at the places of a pair of classes. */
  private final class Changing implements PeopleAtPlaces.Kinds {
    private final Wanted wanted;
    private final PersonSet among;

    Changing(Wanted wanted, PersonSet among) {
      this.wanted = wanted;
      this.among = among;
    }

    @Override
    public PersonSet people(int pair) {
      return shifts.changing(pair, wanted.rights(), wanted.gains(), wanted.losses()).and(among);
    }

    @Override
    public boolean lists(int pair, int person) {
      Rights was = shifts.before(pair, person);
      Rights is = shifts.after(pair, person);
      return among.contains(person) && (wanted.gains() && !is.minus(was).intersect(wanted.rights()).isEmpty()
          || wanted.losses() && !was.minus(is).intersect(wanted.rights()).isEmpty());
    }
  }
}
