package palegate.core.snapshot;

import java.util.Arrays;

/** The lines of many lists, turned round: for each subject, in which lists it stands and what it is given or loses there. */
final class LinesBySubject {
  /** What is taken stands so many bits above what is given. */
  static final int TAKES = 16;

  private final int[] first;
  private final int[] lists;
  private final int[] rights;

  private LinesBySubject(int[] first, int[] lists, int[] rights) {
    this.first = first;
    this.lists = lists;
    this.rights = rights;
  }

  /** Adds to each list what its lines give to and take from any of some subjects. O(subjects + such lines). */
  void addTo(int[] byList, int[] subjects) {
    for (int subject : subjects) {
      for (int line = first[subject]; line < first[subject + 1]; line++) {
        byList[lists[line]] |= rights[line];
      }
    }
  }

  static final class Builder {
    private int[] lists = new int[1_024];
    private int[] lines = new int[1_024];
    private boolean[] takes = new boolean[1_024];
    private int count;

    void add(int list, int line, boolean taken) {
      if (count == lines.length) {
        lists = Arrays.copyOf(lists, count * 2);
        lines = Arrays.copyOf(lines, count * 2);
        takes = Arrays.copyOf(takes, count * 2);
      }
      lists[count] = list;
      lines[count] = line;
      takes[count++] = taken;
    }

    /** Counting sort by subject; linear. */
    LinesBySubject build(int subjects) {
      int[] first = new int[subjects + 1];
      for (int i = 0; i < count; i++) {
        first[ClassRow.subject(lines[i]) + 1]++;
      }
      for (int subject = 0; subject < subjects; subject++) {
        first[subject + 1] += first[subject];
      }
      int[] next = first.clone();
      int[] sortedLists = new int[count];
      int[] rights = new int[count];
      for (int i = 0; i < count; i++) {
        int at = next[ClassRow.subject(lines[i])]++;
        sortedLists[at] = lists[i];
        rights[at] = ClassRow.rights(lines[i]) << (takes[i] ? TAKES : 0);
      }
      return new LinesBySubject(first, sortedLists, rights);
    }
  }
}
