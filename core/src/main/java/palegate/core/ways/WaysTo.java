package palegate.core.ways;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import palegate.core.access.Trace;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.questions.Explanation;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;

/**
 * What it would take to give somebody a right at a place, or to take it from them: the smallest changes that
 * do it, each verified by rehearsing it, the one with the fewest side effects first (job capability 10).
 */
public final class WaysTo {
  /** At most so many ways are answered; more would not be read. */
  public static final int ANSWERED = 10;
  /** At most so many candidates are rehearsed: the likeliest come first. */
  private static final int REHEARSED = 24;

  /** Whether the person is to gain the right or to lose it. */
  public enum Direction {
    GIVE, TAKE
  }

  /**
   * One way.
   *
   * @param changes what a draft would hold
   * @param words what it is, in a sentence without an end
   * @param otherPeople how many other people would gain or lose anything
   * @param documents how many documents would be concerned, this one counted too
   * @param otherPairs how many person–place pairs would change besides the one asked about
   * @param lockOuts how many places it would leave without a keeper at once
   */
  public record Way(List<Change> changes, String words, int otherPeople, int documents, long otherPairs, int lockOuts) {
    public Way {
      changes = List.copyOf(changes);
    }
  }

  /**
   * The answer.
   *
   * @param already whether the person has the right, or lacks it, as wished already
   * @param ways best first; empty if it is impossible or already so
   * @param impossible why there is no way; null if there is one or none is needed
   */
  public record Answer(boolean already, List<Way> ways, String impossible) {
    public Answer {
      ways = List.copyOf(ways);
    }
  }

  /** A change that might do it. */
  record Candidate(List<Change> changes, String words) {
    static Candidate of(String words, Change... changes) {
      return new Candidate(List.of(changes), words);
    }
  }

  private final Snapshot snapshot;
  private final Instant instant;
  private final Direction direction;
  private final Right right;
  private final int person;
  private final int place;

  private WaysTo(Snapshot snapshot, Instant instant, Direction direction, Right right, int person, int place) {
    this.snapshot = snapshot;
    this.instant = instant;
    this.direction = direction;
    this.right = right;
    this.person = person;
    this.place = place;
  }

  /** Looks for ways for one person at one place, both named by their numbers. O(candidates × rehearsal of each). */
  public static Answer find(Snapshot snapshot, Instant instant, Direction direction, Right right, int person, int place) {
    return new WaysTo(snapshot, instant, direction, right, person, place).answer();
  }

  private Answer answer() {
    Trace trace = Explanation.of(snapshot, instant, person, place, Explanation.WallReasons.HIDDEN);
    if (trace.rights().contains(right) == (direction == Direction.GIVE)) {
      return new Answer(true, List.of(), null);
    }
    String impossible = Impossibility.of(snapshot, direction, right, person);
    if (impossible != null) {
      return new Answer(false, List.of(), impossible);
    }
    List<Candidate> candidates = direction == Direction.GIVE
        ? new WaysToGive(snapshot, instant, right, person, place).candidates()
        : new WaysToTake(snapshot, instant, right, person, place, trace).candidates();
    List<Way> ways = candidates.stream().limit(REHEARSED).toList().parallelStream().map(this::verified).filter(way -> way != null)
        .sorted(Comparator.comparingInt(Way::lockOuts).thenComparingLong(Way::otherPairs).thenComparingInt(Way::otherPeople)
            .thenComparingInt(way -> way.changes().size()))
        .limit(ANSWERED).toList();
    return new Answer(false, ways, ways.isEmpty()
        ? "No single step does it, nor any two of those that were tried: several entries or guards stand in the way at once." : null);
  }

  /** The way with its side effects if rehearsal shows that it does what is wished, else null. */
  private Way verified(Candidate candidate) {
    // Whether it does it at all is seen at once; what else it does takes longer.
    DraftApplication.Result applied = DraftApplication.of(snapshot, candidate.changes(), instant);
    if (!applied.refusals().isEmpty()) {
      return null;
    }
    Snapshot after = snapshot.next(applied.difference());
    if (after.at(instant).rightsNow(person, place).contains(right) != (direction == Direction.GIVE)) {
      return null;
    }
    Rehearsal rehearsal = Rehearsal.leadingTo(after, applied, snapshot, candidate.changes(), instant);
    RightsDifference.Totals totals = rehearsal.now().totals();
    String self = snapshot.person(person).id();
    int others = rehearsal.now().changedPeopleBut(self);
    boolean ownPair = rehearsal.now().pairsAt(snapshot.place(place).id()).anyMatch(pair -> pair.person().id().equals(self));
    return new Way(candidate.changes(), candidate.words(), others, totals.documents(),
        rehearsal.now().changedPairs() - (ownPair ? 1 : 0), rehearsal.lockOutsNow().size());
  }
}
