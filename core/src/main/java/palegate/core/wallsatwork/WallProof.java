package palegate.core.wallsatwork;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.concurrent.CancellationException;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.IntStream;
import palegate.core.access.Trace;
import palegate.core.questions.Explanation;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.walls.Wall;

/**
 * The evidence that a wall holds: every barred person asked about at every covered place, pair by pair, and some of the pairs again
 * by the explained stages.
 *
 * @param wall the wall's id
 * @param at the instant for which it is proved: of a wall that is yet to stand, its first
 * @param planned whether it does not stand at the instant asked about, and was proved as if it did
 * @param pairs how many pairs of an active barred person and a place were asked about
 * @param leaks how many of them have any standing right
 * @param found the first of those
 * @param explained how many were asked about again by the stages
 * @param explainedLeaks how many of those have any right by them
 * @param seed of the choice of those pairs
 */
public record WallProof(String wall, Instant at, boolean planned, long pairs, long leaks, List<Leak> found, long explained, long explainedLeaks, long seed) {
  /** Somebody barred who has rights all the same. */
  public record Leak(String person, String place, Rights rights) {}

  /** Is told of every stretch of pairs asked about, and may break the proof off. */
  public interface Progress {
    Progress NONE = (done, all) -> true;

    /** Whether to go on. */
    boolean report(long done, long all);
  }

  private static final int LEAKS_LISTED_AT_MOST = 100;
  private static final int STRETCH = 8192;
  /** Stages take longer than answers: after so many it is asked whether to go on. */
  private static final int EXPLAINED_AT_ONCE = 256;

  public WallProof {
    found = List.copyOf(found);
  }

  /** Whether nobody who is barred has anything. */
  public boolean holds() {
    return leaks == 0 && explainedLeaks == 0;
  }

  /**
   * @param sample how many pairs are asked about again at most; if there are fewer pairs, all of them are
   * @throws CancellationException if the progress says not to go on
   */
  public static WallProof of(Snapshot snapshot, Wall wall, Instant now, int sample, long seed, Progress progress) {
    StandingWall standing = StandingWall.of(snapshot, wall, now);
    return ofPairs(standing.with(), standing.at(), wall, standing.imagined(), standing.barrings(), sample, seed, progress);
  }

  /** Asks a state about pairs, whatever it says itself of the wall. */
  public static WallProof ofPairs(SnapshotAt moment, Instant now, Wall wall, boolean planned, List<Barring> barrings, int sample, long seed, Progress progress) {
    List<Barring> parts = Barring.disjoint(barrings);
    long all = Barring.pairs(parts);
    Asking asking = new Asking(moment, all, progress);
    parts.forEach(asking::askAll);
    long explained = Math.min(sample, all);
    return new WallProof(wall.id(), now, planned, all, asking.leaks.get(), asking.found, explained, explainedLeaks(moment, now, parts, all, explained, seed, progress), seed);
  }

  /** The engine's own answers, stretch by stretch; the stretches of one person side by side. */
  private static final class Asking {
    private final SnapshotAt moment;
    private final long all;
    private final Progress progress;
    private final AtomicLong leaks = new AtomicLong();
    private final AtomicLong done = new AtomicLong();
    private final List<Leak> found = new ArrayList<>();

    Asking(SnapshotAt moment, long all, Progress progress) {
      this.moment = moment;
      this.all = all;
      this.progress = progress;
    }

    void askAll(Barring part) {
      int[] places = part.places().stream().toArray();
      IntStream.of(part.people().toArray()).parallel().forEach(person -> ask(person, places));
    }

    private void ask(int person, int[] places) {
      for (int first = 0; first < places.length; first += STRETCH) {
        int count = Math.min(STRETCH, places.length - first);
        int[] people = new int[count];
        Arrays.fill(people, person);
        int[] here = Arrays.copyOfRange(places, first, first + count);
        short[] rights = moment.rights(people, here);
        for (int i = 0; i < count; i++) {
          if (rights[i] != 0) {
            leak(person, here[i], rights[i]);
          }
        }
        if (!progress.report(done.addAndGet(count), all)) {
          throw new CancellationException("The proof was broken off.");
        }
      }
    }

    private void leak(int person, int place, short rights) {
      leaks.incrementAndGet();
      synchronized (found) {
        if (found.size() < LEAKS_LISTED_AT_MOST) {
          found.add(new Leak(moment.snapshot().person(person).id(), moment.snapshot().place(place).id(), Rights.ofMask(rights)));
        }
      }
    }
  }

  /** Every pair if there are no more than asked for, else as many as that drawn by chance. */
  private static long explainedLeaks(SnapshotAt moment, Instant now, List<Barring> parts, long all, long explained, long seed, Progress progress) {
    Random random = new Random(seed);
    long leaks = 0;
    int[][] people = parts.stream().map(part -> part.people().toArray()).toArray(int[][]::new);
    int[][] places = parts.stream().map(part -> part.places().stream().toArray()).toArray(int[][]::new);
    for (long i = 0; i < explained; i++) {
      if (i % EXPLAINED_AT_ONCE == 0 && !progress.report(all, all)) {
        throw new CancellationException("The proof was broken off.");
      }
      long pair = explained == all ? i : (long) (random.nextDouble() * all);
      int part = 0;
      while (pair >= (long) people[part].length * places[part].length) {
        pair -= (long) people[part].length * places[part].length;
        part++;
      }
      Trace trace = Explanation.of(moment, now, people[part][(int) (pair / places[part].length)], places[part][(int) (pair % places[part].length)], Explanation.WallReasons.SHOWN);
      leaks += trace.standing().isEmpty() ? 0 : 1;
    }
    return leaks;
  }
}
