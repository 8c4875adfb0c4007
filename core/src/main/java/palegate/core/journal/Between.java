package palegate.core.journal;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.people.Person;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Alteration;
import palegate.core.structure.Structure;

/**
 * What everyone gained and lost between two instants of one history, each with what did it: a change put in
 * force, or time itself, when an entry, a membership or a wall began or ended.
 */
public final class Between {
  /** A state and the instant from which it held; the states of a history follow each other. */
  public record State(long change, Instant since, Snapshot snapshot) {}

  /** A change on the way, with all that it altered. */
  public record Made(long change, Instant at, List<Alteration> alterations) {
    public Made {
      alterations = List.copyOf(alterations);
    }
  }

  /** Whose rights are asked about, and where. */
  public record PersonAtPlace(String person, String place) {}

  /** What altered somebody's rights somewhere. */
  public sealed interface Cause {
    /** A change put in force. */
    record OfChange(long change) implements Cause {}

    /** Something began or ended after one instant and not after another. */
    record OfTime(Instant after, Instant until) implements Cause {}
  }

  /** Finds what altered the rights of people at places on the way: for each, in order. */
  interface Causes {
    List<List<Cause>> of(List<PersonAtPlace> pairs);

    /** What is held for it, in states of a structure. */
    int statesHeld();
  }

  /** What may be known of a state, whole or in part. */
  public interface Knowing {
    /** For whoever may know everything. */
    Knowing EVERYTHING = new Knowing() {
      @Override
      public Snapshot of(Snapshot state) {
        return state;
      }

      @Override
      public Set<String> people() {
        return Set.of();
      }

      @Override
      public Set<String> places() {
        return Set.of();
      }
    };

    Snapshot of(Snapshot state);

    /** Whose rights decide it, by their ids; they have to be in the part of a state. */
    Set<String> people();

    /** Which places decide it. */
    Set<String> places();
  }

  private static final int PAIRS_AT_ONCE = 4_000;

  private final Snapshot first;
  private final Snapshot last;
  private final List<Long> numbers;
  private final Causes causes;
  private final RightsDifference difference;

  private Between(Snapshot first, Snapshot last, Instant from, Instant until, List<Long> numbers, Causes causes) {
    if (until.isBefore(from)) {
      throw new IllegalArgumentException("From [" + from + "] to [" + until + "] is no span: it ends before it begins. Give the earlier instant first.");
    }
    this.first = first;
    this.last = last;
    this.numbers = numbers;
    this.causes = causes;
    difference = RightsDifference.between(first.at(from), last.at(until));
  }

  /**
   * Compares the first state at one instant with the last at a later one; every state on the way is there.
   *
   * @param states the state that held at {@code from}, then every later one up to {@code until}; at least one
   */
  public static Between of(List<State> states, Instant from, Instant until) {
    if (states.isEmpty()) {
      throw new IllegalArgumentException("There is no state to begin with. Give the one that held at [" + from + "].");
    }
    return new Between(states.get(0).snapshot(), states.get(states.size() - 1).snapshot(), from, until, states.stream().skip(1).map(State::change).toList(),
        new CausesByStates(List.copyOf(states), from, until));
  }

  /**
   * Compares two states by what every change between them altered: no state on the way is made, however many there are.
   *
   * @param made the changes after the first state up to the last, in order
   * @param knowing what is told of them
   */
  public static Between of(Snapshot first, Snapshot last, List<Made> made, Instant from, Instant until, Knowing knowing) {
    return new Between(knowing.of(first), knowing.of(last), from, until, made.stream().map(Made::change).toList(), new CausesByAlterations(first, List.copyOf(made), from, until, knowing));
  }

  public RightsDifference difference() {
    return difference;
  }

  /** How many changes were put in force on the way. */
  public int changes() {
    return numbers.size();
  }

  /** What is held to answer, in states of a structure: some 0.3 to 1.1 MB each at a million documents. */
  public int statesHeld() {
    return causes.statesHeld();
  }

  /** The numbers of the changes on the way, in order. */
  public Stream<Long> numbers() {
    return numbers.stream();
  }

  /** The state that held at the beginning. */
  public Snapshot first() {
    return first;
  }

  /** The state that held at the end. */
  public Snapshot last() {
    return last;
  }

  /** The structure in which a person that differs is to be looked up: the last one, or the first if they have gone since. */
  public Structure structureOf(Person person) {
    return last.structure().people().containsKey(person.id()) ? last.structure() : first.structure();
  }

  /** Every pair that differs, lazily, with what altered it on the way, in order. */
  public Stream<Caused> pairs() {
    return caused(difference.pairs());
  }

  /** Pairs that differ, lazily, each with what altered it on the way. They are asked about many at once. */
  public Stream<Caused> caused(Stream<RightsDifference.Pair> pairs) {
    Iterator<RightsDifference.Pair> each = pairs.iterator();
    return Stream.iterate(next(each), some -> !some.isEmpty(), any -> next(each)).flatMap(some -> {
      List<List<Cause>> found = causes(some.stream().map(pair -> new PersonAtPlace(pair.person().id(), pair.place().id())).toList());
      return IntStream.range(0, some.size()).mapToObj(i -> new Caused(some.get(i), found.get(i)));
    });
  }

  private static List<RightsDifference.Pair> next(Iterator<RightsDifference.Pair> each) {
    List<RightsDifference.Pair> some = new ArrayList<>();
    while (some.size() < PAIRS_AT_ONCE && each.hasNext()) {
      some.add(each.next());
    }
    return some;
  }

  /** A pair that differs, and why. */
  public record Caused(RightsDifference.Pair pair, List<Cause> causes) {
    public Caused {
      causes = List.copyOf(causes);
    }
  }

  /** What altered one person's rights at one place on the way, in order; what came and went is named too. */
  public List<Cause> causes(String person, String place) {
    return causes(List.of(new PersonAtPlace(person, place))).get(0);
  }

  /** The same for some pairs, in their order. Asked together they cost little more than one of them. */
  public List<List<Cause>> causes(List<PersonAtPlace> pairs) {
    return causes.of(pairs);
  }
}
