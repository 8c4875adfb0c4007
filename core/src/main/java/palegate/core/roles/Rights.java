package palegate.core.roles;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.stream.Collectors;

/**
 * A set of rights, held as nine bits in the order of {@link Right}. All operations are O(1) but for
 * the listing ones.
 *
 * @param mask bit n is set if the n-th right is held; 0 to 511
 */
public record Rights(int mask) {
  private static final int ALL_MASK = (1 << Right.values().length) - 1;
  private static final Rights[] SETS = new Rights[ALL_MASK + 1];
  private static final int[] CLOSED = new int[ALL_MASK + 1];
  private static final int[] COMPLETED = new int[ALL_MASK + 1];

  static {
    for (int mask = 0; mask <= ALL_MASK; mask++) {
      SETS[mask] = new Rights(mask);
      CLOSED[mask] = computeClosed(mask);
      COMPLETED[mask] = computeCompleted(mask);
    }
  }

  public static final Rights NONE = SETS[0];
  public static final Rights ALL = SETS[ALL_MASK];

  public Rights {
    if (mask < 0 || mask > ALL_MASK) {
      throw new IllegalArgumentException(
          "A set of rights has nine bits, 0 to " + ALL_MASK + ", not [" + mask + "].");
    }
  }

  public static Rights ofMask(int mask) {
    return mask >= 0 && mask <= ALL_MASK ? SETS[mask] : new Rights(mask);
  }

  public static Rights of(Right... rights) {
    return copyOf(List.of(rights));
  }

  public static Rights copyOf(Collection<Right> rights) {
    int mask = 0;
    for (Right right : rights) {
      mask |= bit(right);
    }
    return SETS[mask];
  }

  /** Reads rights from their words; an unknown word is refused. */
  public static Rights parse(Collection<String> words) {
    int mask = 0;
    for (String word : words) {
      mask |= bit(Right.parse(word).orElseThrow(() -> new IllegalArgumentException(
          "[" + word + "] is not a right. The nine rights are " + ALL + ".")));
    }
    return SETS[mask];
  }

  public static int bit(Right right) {
    return 1 << right.ordinal();
  }

  public boolean contains(Right right) {
    return (mask & bit(right)) != 0;
  }

  public boolean containsAll(Rights other) {
    return (mask & other.mask) == other.mask;
  }

  public boolean isEmpty() {
    return mask == 0;
  }

  public Rights union(Rights other) {
    return SETS[mask | other.mask];
  }

  public Rights minus(Rights other) {
    return SETS[mask & ~other.mask];
  }

  public Rights intersect(Rights other) {
    return SETS[mask & other.mask];
  }

  /** close(S): the largest subset in which every right's need is held too (section 3). */
  public Rights close() {
    return SETS[CLOSED[mask]];
  }

  /** {@link #close()} on a mask. */
  public static int close(int mask) {
    return CLOSED[mask];
  }

  /** This set and every right that its rights need: what saving a role makes of it (section 3). */
  public Rights complete() {
    return SETS[COMPLETED[mask]];
  }

  /** The rights held, in the fixed order. */
  public List<Right> list() {
    List<Right> list = new ArrayList<>();
    for (Right right : Right.values()) {
      if (contains(right)) {
        list.add(right);
      }
    }
    return list;
  }

  public List<String> words() {
    return list().stream().map(Right::word).toList();
  }

  public int size() {
    return Integer.bitCount(mask);
  }

  /** The words joined by a space, in the fixed order; empty for the empty set. */
  @Override
  public String toString() {
    return list().stream().map(Right::word).collect(Collectors.joining(" "));
  }

  private static int computeClosed(int mask) {
    int closed = mask;
    for (Right right : Right.values()) {
      // A need always stands before the right that needs it, so one pass in order is enough.
      if (right.need().isPresent() && (closed & bit(right.need().get())) == 0) {
        closed &= ~bit(right);
      }
    }
    return closed;
  }

  private static int computeCompleted(int mask) {
    int completed = mask;
    Right[] rights = Right.values();
    for (int i = rights.length - 1; i >= 0; i--) {
      if ((completed & bit(rights[i])) != 0 && rights[i].need().isPresent()) {
        completed |= bit(rights[i].need().get());
      }
    }
    return completed;
  }
}
