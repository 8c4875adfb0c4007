package palegate.core.access.stages;

import java.util.Arrays;
import palegate.core.collections.PersonSet;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;

/**
 * For each right, the people who hold it, as bits by person number. The stages change it in place
 * while it is being made; once made it is only read. It may be made for some rights only.
 */
public final class HoldersByRight {
  static final int RIGHTS = Right.values().length;

  private final long[][] byRight = new long[RIGHTS][];
  /** Who may hold anything here: active and not barred. */
  private final long[] eligible;
  private final long[] scratch;
  private final int wanted;
  /** The rights whose bits still are whatever they were before: what is given to them first is written over that. */
  private int unset;
  private long[][] saved;
  private boolean savedOpen;
  /** Whether anything was taken since the sets were last closed: roles are closed, and so is their union. */
  private boolean open;

  private HoldersByRight(int people, int wanted) {
    int words = (people + 63) / 64;
    for (int right = 0; right < RIGHTS; right++) {
      byRight[right] = (wanted & 1 << right) == 0 ? null : new long[words];
    }
    eligible = new long[words];
    scratch = new long[words];
    this.wanted = wanted;
  }

  /** Room for all nine rights. */
  public static HoldersByRight ofAllRights(int people) {
    return new HoldersByRight(people, Rights.ALL.mask());
  }

  /** Room for one right and for whatever it depends on in some stage: far cheaper to make. */
  public static HoldersByRight of(Right right, int people) {
    int needed = Rights.of(right).complete().mask();
    needed |= right == Right.SHARE ? Rights.bit(Right.GOVERN) : 0;
    needed |= right == Right.COPY ? Rights.bit(Right.REVISE) : 0;
    // What is private leaves find and govern to who governs.
    needed |= Rights.bit(Right.GOVERN);
    return new HoldersByRight(people, needed);
  }

  void begin(PersonSet active) {
    unset = wanted;
    active.copyTo(eligible);
    open = false;
  }

  void bar(PersonSet people) {
    people.takeFrom(eligible);
  }

  /** Gives lines to those who are eligible. Lines with the same rights are best given side by side. */
  void give(EntryLines lines) {
    int line = 0;
    while (line < lines.count()) {
      int end = endOfRun(lines, line);
      int rights = lines.rights(line) & wanted;
      if (allFew(lines, line, end)) {
        clear(rights);
        for (; line < end; line++) {
          lines.people(line).addTo(byRight, rights, eligible);
        }
      } else {
        unite(lines, line, end);
        keep(scratch, eligible);
        for (int right = 0; right < RIGHTS; right++) {
          if ((rights & unset & 1 << right) != 0) {
            System.arraycopy(scratch, 0, byRight[right], 0, scratch.length);
          } else if ((rights & 1 << right) != 0) {
            addTo(byRight[right], scratch);
          }
        }
        unset &= ~rights;
        line = end;
      }
    }
    clear(wanted);
  }

  /** Gives everyone's bits of those of some rights that are not set yet a beginning: nobody. */
  private void clear(int rights) {
    for (int left = rights & unset; left != 0; left &= left - 1) {
      Arrays.fill(byRight[Integer.numberOfTrailingZeros(left)], 0);
    }
    unset &= ~rights;
  }

  /** Whether going person by person beats going through everybody's bits. */
  private static boolean allFew(EntryLines lines, int from, int until) {
    for (int line = from; line < until; line++) {
      if (!lines.people(line).isListed()) {
        return false;
      }
    }
    return true;
  }

  void take(EntryLines lines) {
    open |= lines.count() > 0;
    for (int line = 0; line < lines.count(); line++) {
      int rights = lines.rights(line) & wanted;
      for (int right = 0; right < RIGHTS; right++) {
        if ((rights & 1 << right) != 0) {
          lines.people(line).takeFrom(byRight[right]);
        }
      }
    }
  }

  /**
   * Leaves a right only to some people. Each of them must be left whatever the right needs too, as roles see to:
   * what two closed sets have in common is closed.
   */
  void keepOnly(Right right, PersonSet people) {
    if (byRight[right.ordinal()] != null) {
      people.keepIn(byRight[right.ordinal()]);
    }
  }

  /** Keeps what the stages have made so far, to begin from it again. */
  void save() {
    saved = saved == null ? new long[RIGHTS][] : saved;
    for (int right = 0; right < RIGHTS; right++) {
      if (byRight[right] != null) {
        saved[right] = saved[right] == null ? byRight[right].clone() : saved[right];
        System.arraycopy(byRight[right], 0, saved[right], 0, saved[right].length);
      }
    }
    savedOpen = open;
  }

  /** Begins from what others have saved. */
  void beginFrom(HoldersByRight others) {
    System.arraycopy(others.eligible, 0, eligible, 0, eligible.length);
    for (int right = 0; right < RIGHTS; right++) {
      if (byRight[right] != null) {
        System.arraycopy(others.saved[right], 0, byRight[right], 0, byRight[right].length);
      }
    }
    unset = 0;
    open = others.savedOpen;
  }

  /** Goes back to what was saved and applies a guarded type's clearances in the same go. */
  void restoreKeeping(EveryoneAtPlace asked) {
    for (Right right : Right.values()) {
      long[] bits = byRight[right.ordinal()];
      if (bits != null) {
        asked.cleared(right).copyCommon(saved[right.ordinal()], bits);
      }
    }
    open = savedOpen;
  }

  /** Goes back to what was saved; who may hold anything is as it was then. */
  void restore() {
    for (int right = 0; right < RIGHTS; right++) {
      if (byRight[right] != null) {
        System.arraycopy(saved[right], 0, byRight[right], 0, byRight[right].length);
      }
    }
    open = savedOpen;
  }

  /** Takes all rights but those of a role from some people: what two closed sets have in common is closed. */
  void cutDown(PersonSet people, int role) {
    int rights = Rights.ALL.mask() & ~role;
    for (int right = 0; right < RIGHTS; right++) {
      if ((rights & wanted & 1 << right) != 0) {
        people.takeFrom(byRight[right]);
      }
    }
  }

  void takeFromAll(int rights) {
    open = true;
    for (int right = 0; right < RIGHTS; right++) {
      if ((rights & wanted & 1 << right) != 0) {
        Arrays.fill(byRight[right], 0);
      }
    }
  }

  /** Takes a right from all who do not hold another. */
  void takeWithout(Right right, Right other) {
    open = true;
    if (byRight[right.ordinal()] != null) {
      keep(byRight[right.ordinal()], byRight[other.ordinal()]);
    }
  }

  /** Takes a right from everyone but one person; -1 names nobody. */
  void takeFromAllBut(Right right, int person) {
    open = true;
    long[] held = byRight[right.ordinal()];
    if (held != null) {
      boolean kept = person >= 0 && (held[person >> 6] & 1L << person) != 0;
      Arrays.fill(held, 0);
      if (kept) {
        held[person >> 6] |= 1L << person;
      }
    }
  }

  /** Takes find from all who neither hold govern nor are this person. */
  void hideFromAllButKeepersAnd(int person) {
    open = true;
    long[] find = byRight[Right.FIND.ordinal()];
    boolean kept = person >= 0 && (find[person >> 6] & 1L << person) != 0;
    keep(find, byRight[Right.GOVERN.ordinal()]);
    if (kept) {
      find[person >> 6] |= 1L << person;
    }
  }

  void close() {
    if (!open) {
      return;
    }
    open = false;
    for (Right right : Right.values()) {
      // A need stands before what needs it, so it is already closed when it is used here.
      if (byRight[right.ordinal()] != null && right.need().isPresent()) {
        keep(byRight[right.ordinal()], byRight[right.need().get().ordinal()]);
      }
    }
  }

  /** Gives rights to eligible staff among some people. */
  void giveStaff(PersonSet people, PersonSet external, int rights) {
    if (people.isEmpty()) {
      return;
    }
    people.copyTo(scratch);
    external.takeFrom(scratch);
    keep(scratch, eligible);
    for (int right = 0; right < RIGHTS; right++) {
      if ((rights & wanted & 1 << right) != 0) {
        addTo(byRight[right], scratch);
      }
    }
  }

  /** Whether everyone holds the same here and there. */
  public boolean sameAs(HoldersByRight other) {
    return Arrays.deepEquals(byRight, other.byRight);
  }

  /** Who holds a right; a new set. */
  public PersonSet of(Right right) {
    return PersonSet.copyOf(byRight[right.ordinal()]);
  }

  /** The bits of a right's holders; only to be read, and only until these holders are made anew. */
  public long[] bitsOf(int right) {
    return byRight[right];
  }

  /** What one person holds. */
  public Rights of(int person) {
    return Rights.ofMask(maskOf(person));
  }

  public int maskOf(int person) {
    int mask = 0;
    for (int right = 0; right < RIGHTS; right++) {
      if (byRight[right] != null && (byRight[right][person >> 6] & 1L << person) != 0) {
        mask |= 1 << right;
      }
    }
    return mask;
  }

  /** Everyone who holds anything: whoever holds a right holds find too. */
  public PersonSet anyone() {
    return of(Right.FIND);
  }

  /** One past the last of the lines from here on that have the same rights. */
  private static int endOfRun(EntryLines lines, int first) {
    int line = first + 1;
    while (line < lines.count() && lines.rights(line) == lines.rights(first)) {
      line++;
    }
    return line;
  }

  /** Unites the people of some lines in the scratch bits. */
  private void unite(EntryLines lines, int from, int until) {
    lines.people(from).copyTo(scratch);
    for (int line = from + 1; line < until; line++) {
      lines.people(line).addTo(scratch);
    }
  }

  private static void addTo(long[] bits, long[] more) {
    for (int i = 0; i < bits.length; i++) {
      bits[i] |= more[i];
    }
  }

  private static void keep(long[] bits, long[] kept) {
    for (int i = 0; i < bits.length; i++) {
      bits[i] &= kept[i];
    }
  }
}
