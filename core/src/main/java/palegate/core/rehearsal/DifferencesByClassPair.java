package palegate.core.rehearsal;

import java.util.Arrays;
import java.util.List;
import java.util.function.BiConsumer;
import java.util.function.Supplier;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.collections.PersonSet;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.ClassEquivalence;
import palegate.core.snapshot.SnapshotAt;

/**
 * What happens to people at the places of each pair of classes. Of each pair only what is counted is
 * kept; who gains and loses is worked out again when it is asked for, in microseconds.
 */
final class DifferencesByClassPair {
  private static final int RIGHTS = Right.values().length;
  /** Below this a second thread costs more than it saves. */
  private static final int PAIRS_FOR_A_THREAD = 64;
  private static final int MOST_CHUNKS = 16;
  /** Up to so many people it is cheaper to ask for each than for everyone at once. */
  private static final int FEW_PEOPLE = 48;

  private final SnapshotAt before;
  private final SnapshotAt after;
  private final Numbering people;
  private final PairTable pairs;
  /** Whether a class number means the same before and after. */
  private final boolean relatives;
  /** Of whom alone anything can differ where the class stays the same. */
  private final PersonSet altered;
  private final short[] gained;
  private final short[] lost;
  private final int[] gainers;
  private final int[] losers;
  private final DifferenceTally tally;
  /** Of two states that number people differently: in which pairs of classes nothing can differ but for those whom only one of them has. */
  private final boolean[] alike;
  /** Those, by their numbers in the state that has them. */
  private final PersonSet come;
  private final PersonSet gone;

  private DifferencesByClassPair(SnapshotAt before, SnapshotAt after, Numbering people, PairTable pairs, boolean tallied) {
    this.before = before;
    this.after = after;
    this.people = people;
    this.pairs = pairs;
    relatives = after.comparableTo(before);
    altered = relatives ? after.alteredSince(before).people() : PersonSet.NOBODY;
    ClassEquivalence likeness = relatives ? null : ClassEquivalence.of(before, after);
    come = relatives ? PersonSet.NOBODY : likeness.come();
    gone = relatives ? PersonSet.NOBODY : likeness.gone();
    alike = relatives ? null : alike(likeness, pairs);
    gained = new short[pairs.size()];
    lost = new short[pairs.size()];
    gainers = new int[pairs.size()];
    losers = new int[pairs.size()];
    tally = tallied ? inChunks(() -> new DifferenceTally(words()), this::compute, DifferenceTally::add) : new DifferenceTally(words());
  }

  static DifferencesByClassPair of(SnapshotAt before, SnapshotAt after, Numbering people, PairTable pairs) {
    return new DifferencesByClassPair(before, after, people, pairs, true);
  }

  /** Whether no pair changes anything for anybody; stops at the first that does. */
  static boolean none(SnapshotAt before, SnapshotAt after, Numbering people, PairTable pairs) {
    DifferencesByClassPair shifts = new DifferencesByClassPair(before, after, people, pairs, false);
    return IntStream.range(0, pairs.size()).noneMatch(shifts::changesNow);
  }

  private static boolean[] alike(ClassEquivalence likeness, PairTable pairs) {
    boolean[] alike = new boolean[pairs.size()];
    boolean few = likeness.come().size() + likeness.gone().size() <= FEW_PEOPLE;
    for (int pair = 0; pair < alike.length && few; pair++) {
      alike[pair] = pairs.before(pair) >= 0 && pairs.after(pair) >= 0 && likeness.alike(pairs.before(pair), pairs.after(pair));
    }
    return alike;
  }

  private boolean changesNow(int pair) {
    compute(pair, pair + 1, new DifferenceTally(words()));
    return changes(pair);
  }

  /** Does something to a stretch of pairs. */
  private interface OfStretch<T> {
    void accept(int from, int until, T into);
  }

  /** Adds up something over all pairs, on all processors where there are many. */
  private <T> T inChunks(Supplier<T> empty, OfStretch<T> stretch, BiConsumer<T, T> add) {
    int chunks = Math.max(1, Math.min(MOST_CHUNKS, pairs.size() / PAIRS_FOR_A_THREAD));
    int each = (pairs.size() + chunks - 1) / chunks;
    List<T> parts = Stream.generate(empty).limit(chunks).toList();
    IntStream range = IntStream.range(0, chunks);
    (chunks > 1 ? range.parallel() : range)
        .forEach(chunk -> stretch.accept(chunk * each, Math.min(pairs.size(), (chunk + 1) * each), parts.get(chunk)));
    parts.subList(1, parts.size()).forEach(part -> add.accept(parts.get(0), part));
    return parts.get(0);
  }

  private void compute(int from, int until, DifferenceTally into) {
    PairWork work = null;
    for (int pair = from; pair < until; pair++) {
      if (relatives && pairs.before(pair) == pairs.after(pair) && altered.size() <= FEW_PEOPLE) {
        computeForFew(pair, into);
      } else if (alike != null && alike[pair]) {
        computeForStrangers(pair, into);
      } else {
        work = work == null ? newWork() : work;
        computeForAll(pair, work, into);
      }
    }
  }

  private void computeForFew(int pair, DifferenceTally into) {
    altered.forEach(person -> noteChange(pair, before.rightsInClass(person, pairs.before(pair)), after.rightsInClass(person, pairs.after(pair)), into, person));
  }

  private void computeForStrangers(int pair, DifferenceTally into) {
    come.forEach(person -> noteChange(pair, 0, after.rightsInClass(person, pairs.after(pair)), into, people.ofAfter(person)));
    gone.forEach(person -> noteChange(pair, before.rightsInClass(person, pairs.before(pair)), 0, into, people.ofBefore(person)));
  }

  private void noteChange(int pair, int was, int is, DifferenceTally into, int person) {
    if (was != is) {
      into.changedPairs += pairs.places(pair);
      note(pair, is & ~was, was & ~is, into, pairs.places(pair), person);
    }
  }

  private void note(int pair, int gains, int losses, DifferenceTally into, int places, int person) {
    gained[pair] |= (short) gains;
    lost[pair] |= (short) losses;
    if (gains != 0) {
      gainers[pair]++;
      into.gaining[person >> 6] |= 1L << person;
      into.pairsGaining += places;
    }
    if (losses != 0) {
      losers[pair]++;
      into.losing[person >> 6] |= 1L << person;
      into.pairsLosing += places;
    }
    for (int right = 0; right < RIGHTS; right++) {
      into.gainedByRight[right] += (gains >> right & 1) * (long) places;
      into.lostByRight[right] += (losses >> right & 1) * (long) places;
    }
  }

  private void computeForAll(int pair, PairWork work, DifferenceTally into) {
    int places = pairs.places(pair);
    work.fill(pair);
    Arrays.fill(work.gainers, 0);
    if (!work.mayLose) {
      computeGains(pair, work, into);
      return;
    }
    Arrays.fill(work.losers, 0);
    for (int right = 0; right < RIGHTS; right++) {
      long[] had = work.had(right);
      long[] has = work.has(right);
      int differing = PersonBits.differing(had, has);
      int gain = (differing & PersonBits.GAINS) != 0 ? PersonBits.addDifference(has, had, work.gainers) : 0;
      int loss = (differing & PersonBits.LOSSES) != 0 ? PersonBits.addDifference(had, has, work.losers) : 0;
      if (gain > 0) {
        gained[pair] |= (short) (1 << right);
        into.gainedByRight[right] += (long) gain * places;
      }
      if (loss > 0) {
        lost[pair] |= (short) (1 << right);
        into.lostByRight[right] += (long) loss * places;
      }
    }
    int both = 0;
    for (int i = 0; i < work.gainers.length; i++) {
      both += Long.bitCount(work.gainers[i] & work.losers[i]);
    }
    gainers[pair] = PersonBits.addTo(into.gaining, work.gainers);
    losers[pair] = PersonBits.addTo(into.losing, work.losers);
    into.pairsGaining += (long) gainers[pair] * places;
    into.pairsLosing += (long) losers[pair] * places;
    into.changedPairs += (long) (gainers[pair] + losers[pair] - both) * places;
  }

  /** The same where nobody can lose anything. */
  private void computeGains(int pair, PairWork work, DifferenceTally into) {
    int places = pairs.places(pair);
    int gain = 0;
    long[] hadOther = null;
    long[] hasOther = null;
    for (int left = work.mayGain; left != 0; left &= left - 1) {
      int right = Integer.numberOfTrailingZeros(left);
      long[] had = work.had(right);
      long[] has = work.has(right);
      // Roles give most rights together: the same people hold the next one, and they have been counted.
      if (hadOther == null || !Arrays.equals(had, hadOther) || !Arrays.equals(has, hasOther)) {
        gain = PersonBits.addDifference(has, had, work.gainers);
      }
      hadOther = had;
      hasOther = has;
      if (gain > 0) {
        gained[pair] |= (short) (1 << right);
        into.gainedByRight[right] += (long) gain * places;
      }
    }
    gainers[pair] = PersonBits.addTo(into.gaining, work.gainers);
    into.pairsGaining += (long) gainers[pair] * places;
    into.changedPairs += (long) gainers[pair] * places;
  }

  private PairWork newWork() {
    return new PairWork(before, after, people, pairs);
  }

  private int words() {
    return people.words();
  }

  boolean changes(int pair) {
    return gained[pair] != 0 || lost[pair] != 0;
  }

  Rights gained(int pair) {
    return Rights.ofMask(gained[pair]);
  }

  Rights lost(int pair) {
    return Rights.ofMask(lost[pair]);
  }

  int peopleGaining(int pair) {
    return gainers[pair];
  }

  int peopleLosing(int pair) {
    return losers[pair];
  }

  PersonSet gaining() {
    return PersonSet.copyOf(tally.gaining);
  }

  PersonSet losing() {
    return PersonSet.copyOf(tally.losing);
  }

  long[] gainedByRight() {
    return tally.gainedByRight;
  }

  long[] lostByRight() {
    return tally.lostByRight;
  }

  long pairsGaining() {
    return tally.pairsGaining;
  }

  long changedPairs() {
    return tally.changedPairs;
  }

  long pairsLosing() {
    return tally.pairsLosing;
  }

  /** What one person, by common number, holds before at the places of a pair. */
  Rights before(int pair, int person) {
    int number = before.snapshot().personNumber(people.person(person).id());
    return number < 0 || pairs.before(pair) < 0 ? Rights.NONE : Rights.ofMask(before.rightsInClass(number, pairs.before(pair)));
  }

  Rights after(int pair, int person) {
    int number = after.snapshot().personNumber(people.person(person).id());
    return number < 0 || pairs.after(pair) < 0 ? Rights.NONE : Rights.ofMask(after.rightsInClass(number, pairs.after(pair)));
  }

  boolean loses(int pair, int person, Right right) {
    return before(pair, person).contains(right) && !after(pair, person).contains(right);
  }

  /** Who gains and who loses what at the places of a pair. */
  Shift shift(int pair) {
    PairWork work = newWork();
    work.fill(pair);
    PersonSet[] gained = new PersonSet[RIGHTS];
    PersonSet[] lost = new PersonSet[RIGHTS];
    for (int right = 0; right < RIGHTS; right++) {
      PersonSet had = PersonSet.copyOf(work.had(right));
      PersonSet has = PersonSet.copyOf(work.has(right));
      gained[right] = has.minus(had);
      lost[right] = had.minus(has);
    }
    return new Shift(gained, lost);
  }

  /** Who gains one of some rights, or loses one, or either, at the places of a pair. */
  PersonSet changing(int pair, Rights rights, boolean gains, boolean losses) {
    PairWork work = newWork();
    work.fill(pair);
    long[] found = new long[words()];
    for (int left = rights.mask() & ((gains ? gained[pair] : 0) | (losses ? lost[pair] : 0)); left != 0; left &= left - 1) {
      int right = Integer.numberOfTrailingZeros(left);
      long[] had = work.had(right);
      long[] has = work.has(right);
      for (int i = 0; i < found.length; i++) {
        found[i] |= (gains ? has[i] & ~had[i] : 0) | (losses ? had[i] & ~has[i] : 0);
      }
    }
    return PersonSet.copyOf(found);
  }

  /** For each pair of classes and each lane, the people's factor of the digest. O(changed pairs × people / 8). */
  long[][] digests(DifferenceDigest digest) {
    long[][] found = new long[DifferenceDigest.LANES][pairs.size()];
    inChunks(() -> found, (from, until, into) -> {
      PairWork work = newWork();
      for (int pair = from; pair < until; pair++) {
        if (changes(pair)) {
          work.fill(pair);
          addDigestOf(pair, work, digest, into);
        }
      }
    }, (all, part) -> { });
    return found;
  }

  private void addDigestOf(int pair, PairWork work, DifferenceDigest digest, long[][] into) {
    for (int right = 0; right < RIGHTS; right++) {
      if ((gained[pair] >> right & 1) != 0) {
        addWeighed(pair, right, true, work.has(right), work.had(right), digest, into);
      }
      if ((lost[pair] >> right & 1) != 0) {
        addWeighed(pair, right, false, work.had(right), work.has(right), digest, into);
      }
    }
  }

  private static void addWeighed(int pair, int right, boolean gains, long[] set, long[] other, DifferenceDigest digest, long[][] into) {
    long[] people = new long[DifferenceDigest.LANES];
    digest.addDifference(set, other, people);
    for (int lane = 0; lane < people.length; lane++) {
      into[lane][pair] = DifferenceDigest.plus(into[lane][pair], DifferenceDigest.times(DifferenceDigest.weight(lane, right, gains), people[lane]));
    }
  }

  /** What changes for each person. O(changed pairs × people). */
  PersonTotals people() {
    return inChunks(() -> new PersonTotals(words()), (from, until, into) -> {
      PairWork work = newWork();
      for (int pair = from; pair < until; pair++) {
        if (changes(pair)) {
          work.fill(pair);
          for (int right = 0; right < RIGHTS; right++) {
            into.note(right, work.had(right), work.has(right));
          }
          into.count(pairs.places(pair), pairs.documents(pair));
        }
      }
    }, PersonTotals::add);
  }
}
