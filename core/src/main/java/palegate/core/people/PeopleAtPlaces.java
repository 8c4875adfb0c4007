package palegate.core.people;

import java.util.Arrays;
import java.util.BitSet;
import java.util.Iterator;
import java.util.NoSuchElementException;
import java.util.Spliterator;
import java.util.Spliterators;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import palegate.core.collections.PersonSet;

/**
 * A long list of people at places that is never made whole. Who is listed at a place hangs on the kind of the place alone:
 * the list is counted kind by kind, and any stretch of it is found without making what comes before.
 *
 * <p>Places are named by their position in the order of the list, people by number. Safe to share.
 */
public final class PeopleAtPlaces {
  /** Who is listed at the places of a kind; asked whenever it is needed, nothing is kept. */
  public interface Kinds {
    PersonSet people(int kind);

    boolean lists(int kind, int person);
  }

  /** What the list is put in order by: first by one of the two, then by the other. */
  public enum Order { PLACE, PERSON }

  /** One line: somebody at the place of a position. */
  public record At(int position, int person) {}

  /** So many places are counted together; those of one block are gone through one by one. */
  private static final int BLOCK = 1024;
  private static final int UNKNOWN = -1;

  private final int[] kinds;
  private final Kinds of;
  private final BitSet narrowed;
  private final PersonSet some;
  private final int[] inOrder;
  private final int[] ranks;
  private final int kindCount;
  private final int[] everyoneOf;
  private final int[] someOf;
  /** How many lines come before each block of places. */
  private final long[] beforeBlock;
  private final PersonSet people;
  /** How many lines come before those of each person, in the order of people; made when first needed. */
  private long[] beforePerson;

  /**
   * Counts a list. O(places + kinds × people / 64).
   *
   * @param kinds of each place, in the order of the list
   * @param narrowed the positions at which only some people are listed
   * @param some those people
   * @param inOrder everybody's number, in the order in which people are listed
   */
  public PeopleAtPlaces(int[] kinds, Kinds of, BitSet narrowed, PersonSet some, int[] inOrder) {
    this.kinds = kinds;
    this.of = of;
    this.narrowed = narrowed;
    this.some = some;
    this.inOrder = inOrder;
    ranks = new int[inOrder.length == 0 ? 0 : IntStream.of(inOrder).max().getAsInt() + 1];
    for (int rank = 0; rank < inOrder.length; rank++) {
      ranks[inOrder[rank]] = rank;
    }
    kindCount = IntStream.of(kinds).max().orElse(-1) + 1;
    everyoneOf = unknown();
    someOf = unknown();
    beforeBlock = new long[(kinds.length + BLOCK - 1) / BLOCK + 1];
    PersonSet found = PersonSet.NOBODY;
    long lines = 0;
    for (int position = 0; position < kinds.length; position++) {
      if (position % BLOCK == 0) {
        beforeBlock[position / BLOCK] = lines;
      }
      int[] counts = narrowed.get(position) ? someOf : everyoneOf;
      if (counts[kinds[position]] == UNKNOWN) {
        PersonSet here = peopleAt(position);
        found = found.or(here);
        counts[kinds[position]] = here.size();
      }
      lines += counts[kinds[position]];
    }
    beforeBlock[beforeBlock.length - 1] = lines;
    people = found;
  }

  private int[] unknown() {
    int[] counts = new int[kindCount];
    Arrays.fill(counts, UNKNOWN);
    return counts;
  }

  /** How many lines there are. */
  public long count() {
    return beforeBlock[beforeBlock.length - 1];
  }

  /** Everyone of whom there is a line. */
  public PersonSet people() {
    return people;
  }

  /** The positions of the places at which anybody is listed. */
  public IntStream places() {
    return IntStream.range(0, kinds.length).filter(position -> countAt(position) > 0);
  }

  /**
   * The lines from an offset on, made as they are read.
   *
   * @param turned from the last line to the first
   */
  public Stream<At> from(Order order, boolean turned, long offset) {
    if (offset < 0 || offset >= count()) {
      return Stream.empty();
    }
    long line = turned ? count() - 1 - offset : offset;
    Iterator<At> lines = order == Order.PLACE ? new ByPlace(line, turned) : new ByPerson(line, turned);
    return StreamSupport.stream(Spliterators.spliteratorUnknownSize(lines, Spliterator.ORDERED | Spliterator.NONNULL), false);
  }

  private int countAt(int position) {
    return (narrowed.get(position) ? someOf : everyoneOf)[kinds[position]];
  }

  private PersonSet peopleAt(int position) {
    PersonSet here = of.people(kinds[position]);
    return narrowed.get(position) ? here.and(some) : here;
  }

  /** How many lines come before those of the person of each rank. O(kinds × people) the first time. */
  private synchronized long[] beforePerson() {
    if (beforePerson == null) {
      int[] whole = new int[kindCount];
      int[] parts = new int[kindCount];
      for (int position = 0; position < kinds.length; position++) {
        (narrowed.get(position) ? parts : whole)[kinds[position]]++;
      }
      long[] byRank = new long[inOrder.length + 1];
      for (int kind = 0; kind < kindCount; kind++) {
        int wholly = whole[kind];
        int partly = parts[kind];
        if (wholly + partly > 0) {
          of.people(kind).forEach(person -> byRank[ranks[person] + 1] += wholly + (partly > 0 && some.contains(person) ? partly : 0));
        }
      }
      for (int rank = 0; rank < inOrder.length; rank++) {
        byRank[rank + 1] += byRank[rank];
      }
      beforePerson = byRank;
    }
    return beforePerson;
  }

  /** The last of ascending counts that is no more than a line, and is followed by more. */
  private static int holding(long[] before, long line) {
    int low = 0;
    int high = before.length - 1;
    while (high - low > 1) {
      int middle = (low + high) >>> 1;
      if (before[middle] <= line) {
        low = middle;
      } else {
        high = middle;
      }
    }
    return low;
  }

  /** Lines of one place or person after another, forwards or backwards. */
  private abstract static class EntryLines implements Iterator<At> {
    final int step;
    private final int end;
    private int group;
    private int[] here;
    private int next;

    /** @param groups how many places or people there are */
    EntryLines(int groups, boolean turned) {
      step = turned ? -1 : 1;
      end = turned ? -1 : groups;
    }

    void begin(int first, int line) {
      group = first;
      here = of(first);
      next = line;
    }

    /** The people of a place, or the positions of a person, in order. */
    abstract int[] of(int number);

    abstract At line(int number, int other);

    @Override
    public boolean hasNext() {
      while (next < 0 || next >= here.length) {
        group += step;
        if (group == end) {
          group -= step;
          return false;
        }
        here = of(group);
        next = step > 0 ? 0 : here.length - 1;
      }
      return true;
    }

    @Override
    public At next() {
      if (!hasNext()) {
        throw new NoSuchElementException();
      }
      At line = line(group, here[next]);
      next += step;
      return line;
    }
  }

  private final class ByPlace extends EntryLines {
    ByPlace(long line, boolean turned) {
      super(kinds.length, turned);
      int position = holding(beforeBlock, line) * BLOCK;
      long left = line - beforeBlock[position / BLOCK];
      while (countAt(position) <= left) {
        left -= countAt(position++);
      }
      begin(position, (int) left);
    }

    @Override
    int[] of(int position) {
      if (countAt(position) == 0) {
        return new int[0];
      }
      int[] here = peopleAt(position).stream().map(person -> ranks[person]).toArray();
      Arrays.sort(here);
      return here;
    }

    @Override
    At line(int position, int rank) {
      return new At(position, inOrder[rank]);
    }
  }

  private final class ByPerson extends EntryLines {
    private static final byte UNASKED = 0;
    private static final byte YES = 1;
    private static final byte NO = 2;

    private final long[] before = beforePerson();

    ByPerson(long line, boolean turned) {
      super(inOrder.length, turned);
      int rank = holding(before, line);
      begin(rank, (int) (line - before[rank]));
    }

    /** O(places) for each person. */
    @Override
    int[] of(int rank) {
      int[] places = new int[(int) (before[rank + 1] - before[rank])];
      int person = inOrder[rank];
      boolean everywhere = some.contains(person);
      byte[] answers = new byte[places.length == 0 ? 0 : kindCount];
      int count = 0;
      for (int position = 0; count < places.length; position++) {
        int kind = kinds[position];
        if (everywhere || !narrowed.get(position)) {
          if (answers[kind] == UNASKED) {
            answers[kind] = of.lists(kind, person) ? YES : NO;
          }
          if (answers[kind] == YES) {
            places[count++] = position;
          }
        }
      }
      return places;
    }

    @Override
    At line(int rank, int position) {
      return new At(position, inOrder[rank]);
    }
  }
}
