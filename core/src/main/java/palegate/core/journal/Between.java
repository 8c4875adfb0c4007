package palegate.core.journal;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.people.Person;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/**
 * What everyone gained and lost between two instants of one history, each with what did it: a change put in
 * force, or time itself, when an entry, a membership or a wall began or ended.
 */
public final class Between {
  /** A state and the instant from which it held; the states of a history follow each other. */
  public record State(long change, Instant since, Snapshot snapshot) {}

  /** What altered somebody's rights somewhere. */
  public sealed interface Cause {
    /** A change put in force. */
    record OfChange(long change) implements Cause {}

    /** Something began or ended after one instant and not after another. */
    record OfTime(Instant after, Instant until) implements Cause {}
  }

  private final List<State> states;
  private final Instant from;
  private final Instant until;
  private final RightsDifference difference;

  private Between(List<State> states, Instant from, Instant until) {
    this.states = List.copyOf(states);
    this.from = from;
    this.until = until;
    difference = RightsDifference.between(states.get(0).snapshot().at(from), states.get(states.size() - 1).snapshot().at(until));
  }

  /**
   * Compares the first state at one instant with the last at a later one.
   *
   * @param states the state that held at {@code from}, then every later one up to {@code until}; at least one
   */
  public static Between of(List<State> states, Instant from, Instant until) {
    if (states.isEmpty() || until.isBefore(from)) {
      throw new IllegalArgumentException(
          "Between [" + from + "] and [" + until + "] needs a state to begin with and an end that is not before it.");
    }
    return new Between(states, from, until);
  }

  public RightsDifference difference() {
    return difference;
  }

  /** How many changes were put in force on the way. */
  public int changes() {
    return states.size() - 1;
  }

  /** The numbers of the changes on the way, in order. */
  public Stream<Long> numbers() {
    return states.stream().skip(1).map(State::change);
  }

  /** The structure in which a person that differs is to be looked up: the last one, or the first if they have gone since. */
  public Structure structureOf(Person person) {
    Structure last = states.get(states.size() - 1).snapshot().structure();
    return last.people().containsKey(person.id()) ? last : states.get(0).snapshot().structure();
  }

  /** Every pair that differs, lazily, with what altered it on the way, in order. O(states) a pair. */
  public Stream<Caused> pairs() {
    return difference.pairs().map(pair -> new Caused(pair, causes(pair.person().id(), pair.place().id())));
  }

  /** A pair that differs, and why. */
  public record Caused(RightsDifference.Pair pair, List<Cause> causes) {
    public Caused {
      causes = List.copyOf(causes);
    }
  }

  /** What altered one person's rights at one place on the way, in order; what came and went is named too. */
  public List<Cause> causes(String person, String place) {
    List<Cause> causes = new ArrayList<>();
    Snapshot snapshot = states.get(0).snapshot();
    Instant since = from;
    Rights rights = rights(snapshot, person, place, since);
    for (State state : states.subList(1, states.size())) {
      rights = pass(causes, snapshot, person, place, since, state.since(), rights);
      Rights after = rights(state.snapshot(), person, place, state.since());
      if (!after.equals(rights)) {
        causes.add(new Cause.OfChange(state.change()));
      }
      rights = after;
      snapshot = state.snapshot();
      since = state.since();
    }
    pass(causes, snapshot, person, place, since, until, rights);
    return causes;
  }

  private static Rights pass(List<Cause> causes, Snapshot snapshot, String person, String place, Instant since, Instant now, Rights rights) {
    Rights later = rights(snapshot, person, place, now);
    if (!later.equals(rights)) {
      causes.add(new Cause.OfTime(since, now));
    }
    return later;
  }

  private static Rights rights(Snapshot snapshot, String person, String place, Instant instant) {
    int who = snapshot.personNumber(person);
    int where = snapshot.placeNumber(place);
    return who < 0 || where < 0 ? Rights.NONE : snapshot.at(instant).rights(who, where);
  }
}
