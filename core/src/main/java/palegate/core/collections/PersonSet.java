package palegate.core.collections;

import java.util.Arrays;
import java.util.function.IntConsumer;
import java.util.stream.IntStream;

/**
 * A set of people by their dense numbers, immutable. Few people are kept as a sorted list, many as
 * bits, whichever is cheaper to go through.
 */
public final class PersonSet {
  public static final PersonSet NOBODY = new PersonSet(null, new int[0], 0);

  /** A list is gone through number by number, bits 64 at a time and those four at a time. */
  private static final int WORDS_FOR_ONE_NUMBER = 16;

  private final long[] words;
  private final int[] numbers;
  private final int size;

  private PersonSet(long[] words, int[] numbers, int size) {
    this.words = words;
    this.numbers = numbers;
    this.size = size;
  }

  public static PersonSet of(int number) {
    return new PersonSet(null, new int[] {number}, 1);
  }

  public static PersonSet of(int... numbers) {
    int[] sorted = IntStream.of(numbers).sorted().distinct().toArray();
    if (sorted.length == 0) {
      return NOBODY;
    }
    long[] bits = new long[(sorted[sorted.length - 1] >> 6) + 1];
    for (int number : sorted) {
      bits[number >> 6] |= 1L << number;
    }
    return ofBits(bits);
  }

  /** The set whose bits these are; the array is copied or dropped, never kept. */
  public static PersonSet copyOf(long[] bits) {
    return ofBits(bits.clone());
  }

  /** Takes the array over: the caller must not touch it afterwards. */
  private static PersonSet ofBits(long[] bits) {
    int count = 0;
    for (long word : bits) {
      count += Long.bitCount(word);
    }
    if (count == 0) {
      return NOBODY;
    }
    if (count > bits.length / WORDS_FOR_ONE_NUMBER) {
      return new PersonSet(bits, null, count);
    }
    int[] listed = new int[count];
    int at = 0;
    for (int i = 0; i < bits.length; i++) {
      for (long word = bits[i]; word != 0; word &= word - 1) {
        listed[at++] = (i << 6) + Long.numberOfTrailingZeros(word);
      }
    }
    return new PersonSet(null, listed, count);
  }

  public int size() {
    return size;
  }

  public boolean isEmpty() {
    return size == 0;
  }

  /** Whether the set is kept as a list: then going through it is cheaper than going through everybody's bits. */
  public boolean isListed() {
    return words == null;
  }

  /** O(1) on many, O(log size) on few. */
  public boolean contains(int number) {
    return words == null ? Arrays.binarySearch(numbers, number) >= 0
        : number >> 6 < words.length && (words[number >> 6] & 1L << number) != 0;
  }

  /** In ascending order. */
  public void forEach(IntConsumer action) {
    if (words == null) {
      for (int number : numbers) {
        action.accept(number);
      }
      return;
    }
    for (int i = 0; i < words.length; i++) {
      for (long word = words[i]; word != 0; word &= word - 1) {
        action.accept((i << 6) + Long.numberOfTrailingZeros(word));
      }
    }
  }

  /** In ascending order; a new array. */
  public int[] toArray() {
    if (words == null) {
      return numbers.clone();
    }
    int[] all = new int[size];
    int at = 0;
    for (int i = 0; i < words.length; i++) {
      for (long word = words[i]; word != 0; word &= word - 1) {
        all[at++] = (i << 6) + Long.numberOfTrailingZeros(word);
      }
    }
    return all;
  }

  public IntStream stream() {
    return IntStream.of(words == null ? numbers : toArray());
  }

  /** Adds these people to bits that have room for them. */
  public void addTo(long[] bits) {
    if (words == null) {
      for (int number : numbers) {
        bits[number >> 6] |= 1L << number;
      }
      return;
    }
    for (int i = 0; i < words.length; i++) {
      bits[i] |= words[i];
    }
  }

  /** Writes these people over bits that have room for them. */
  public void copyTo(long[] bits) {
    if (words == null) {
      Arrays.fill(bits, 0);
      addTo(bits);
      return;
    }
    System.arraycopy(words, 0, bits, 0, words.length);
    Arrays.fill(bits, words.length, bits.length, 0);
  }

  /** Adds those of these people who are in some bits to each of several others, one by one: for sets that are lists. */
  public void addTo(long[][] many, int which, long[] among) {
    for (int number : numbers) {
      int word = number >> 6;
      long bit = among[word] & 1L << number;
      for (int left = which; left != 0; left &= left - 1) {
        many[Integer.numberOfTrailingZeros(left)][word] |= bit;
      }
    }
  }

  /** Takes these people out of bits. */
  public void takeFrom(long[] bits) {
    if (words == null) {
      for (int number : numbers) {
        if (number >> 6 < bits.length) {
          bits[number >> 6] &= ~(1L << number);
        }
      }
      return;
    }
    int shared = Math.min(words.length, bits.length);
    for (int i = 0; i < shared; i++) {
      bits[i] &= ~words[i];
    }
  }

  /** Leaves only these people in bits. */
  public void keepIn(long[] bits) {
    if (words == null) {
      int cleared = 0;
      for (int i = 0; i < numbers.length && numbers[i] >> 6 < bits.length; ) {
        int word = numbers[i] >> 6;
        long mine = 0;
        for (; i < numbers.length && numbers[i] >> 6 == word; i++) {
          mine |= 1L << numbers[i];
        }
        Arrays.fill(bits, cleared, word, 0);
        bits[word] &= mine;
        cleared = word + 1;
      }
      Arrays.fill(bits, cleared, bits.length, 0);
      return;
    }
    int shared = Math.min(words.length, bits.length);
    for (int i = 0; i < shared; i++) {
      bits[i] &= words[i];
    }
    Arrays.fill(bits, shared, bits.length, 0);
  }

  /** Writes those of these people who are in some bits into others, over what was there. */
  public void copyCommon(long[] among, long[] into) {
    if (words == null) {
      Arrays.fill(into, 0);
      for (int number : numbers) {
        into[number >> 6] |= among[number >> 6] & 1L << number;
      }
      return;
    }
    int shared = Math.min(words.length, into.length);
    for (int i = 0; i < shared; i++) {
      into[i] = among[i] & words[i];
    }
    Arrays.fill(into, shared, into.length, 0);
  }

  public PersonSet or(PersonSet other) {
    if (size == 0 || other.size == 0) {
      return size == 0 ? other : this;
    }
    long[] bits = bits(Math.max(span(), other.span()));
    other.addTo(bits);
    return ofBits(bits);
  }

  public PersonSet and(PersonSet other) {
    if (words == null) {
      return of(IntStream.of(numbers).filter(other::contains).toArray());
    }
    if (other.words == null) {
      return other.and(this);
    }
    long[] bits = bits(span());
    other.keepIn(bits);
    return ofBits(bits);
  }

  public PersonSet minus(PersonSet other) {
    if (size == 0 || other.size == 0) {
      return this;
    }
    long[] bits = bits(span());
    other.takeFrom(bits);
    return ofBits(bits);
  }

  public boolean intersects(PersonSet other) {
    return sizeOfAnd(other) > 0;
  }

  /** How many people are in both; makes no new set. */
  public int sizeOfAnd(PersonSet other) {
    if (words == null) {
      int both = 0;
      for (int number : numbers) {
        both += other.contains(number) ? 1 : 0;
      }
      return both;
    }
    if (other.words == null) {
      return other.sizeOfAnd(this);
    }
    int both = 0;
    int shared = Math.min(words.length, other.words.length);
    for (int i = 0; i < shared; i++) {
      both += Long.bitCount(words[i] & other.words[i]);
    }
    return both;
  }

  private int span() {
    return words != null ? words.length : size == 0 ? 0 : (numbers[size - 1] >> 6) + 1;
  }

  private long[] bits(int length) {
    long[] bits = new long[length];
    addTo(bits);
    return bits;
  }

  @Override
  public boolean equals(Object other) {
    if (!(other instanceof PersonSet that) || size != that.size) {
      return false;
    }
    if (this == that) {
      return true;
    }
    if (words != null && that.words != null) {
      int shared = Math.min(words.length, that.words.length);
      // Equal sizes: if they agree where both have bits, neither can have more further on.
      return Arrays.equals(words, 0, shared, that.words, 0, shared);
    }
    return Arrays.equals(toArray(), that.toArray());
  }

  @Override
  public int hashCode() {
    return Arrays.hashCode(toArray());
  }

  @Override
  public String toString() {
    return Arrays.toString(toArray());
  }
}
