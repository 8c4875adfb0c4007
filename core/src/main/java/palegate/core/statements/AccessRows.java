package palegate.core.statements;

import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/**
 * Everyone's rights everywhere: one row for each person and place with at least one right, by person id,
 * then place id, in byte order. Ids need no quoting in
 * either format: they are {@code A-Za-z0-9._:-} only.
 */
public final class AccessRows {
  /** How a row is written. */
  public enum Format {
    CSV("person,place,rights\n", "", ",", ",", "\n") {
      @Override
      String rights(Rights rights) {
        return rights.toString();
      }
    },
    JSON_LINES("", "{\"person\":\"", "\",\"place\":\"", "\",\"rights\":[", "]}\n") {
      @Override
      String rights(Rights rights) {
        return rights.words().stream().map(word -> '"' + word + '"').collect(Collectors.joining(","));
      }
    };

    private final String head;
    private final String beforePerson;
    private final String beforePlace;
    private final String beforeRights;
    private final String end;

    Format(String head, String beforePerson, String beforePlace, String beforeRights, String end) {
      this.head = head;
      this.beforePerson = beforePerson;
      this.beforePlace = beforePlace;
      this.beforeRights = beforeRights;
      this.end = end;
    }

    abstract String rights(Rights rights);
  }

  private static final int LONGEST_ROW = 512;
  private static final int USUAL_ROW = 64;
  private static final VarHandle EIGHT_BYTES = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.nativeOrder());

  /** So many people's rows are made side by side for each processor, so that none waits for the one who reaches most … */
  private static final int MOST_AHEAD = 8;
  /** … unless those who reach everything would take more memory than this; then one for each processor. */
  private static final int BYTES_AHEAD = 1 << 26;

  private final SnapshotAt moment;
  private final Snapshot snapshot;
  private final Format format;
  private final boolean standing;
  private final long[][] rights = new long[512][];
  private final int[] rightsLengths = new int[512];
  /** In byte order of their ids, and the class of each. */
  private final int[] places;
  private final int[] classes;
  /** Positions in that order, class after class, and where those of each class begin. */
  private final int[] inClassOrder;
  private final int[] placesOfClass;
  /** Each place's part of a row, where it begins and how long it is. */
  private final long[] placeText;
  private final int[] placeStarts;
  private final byte[] placeLengths;

  private AccessRows(SnapshotAt moment, Format format, boolean standing) {
    this.moment = moment;
    this.format = format;
    this.standing = standing;
    snapshot = moment.snapshot();
    for (int mask = 0; mask < rights.length; mask++) {
      byte[] text = bytes(format.rights(Rights.ofMask(mask)) + format.end);
      rights[mask] = eightByEight(text);
      rightsLengths[mask] = text.length;
    }
    places = snapshot.places().boxed().parallel()
        .sorted((a, b) -> snapshot.place(a).id().compareTo(snapshot.place(b).id())).mapToInt(Integer::intValue).toArray();
    classes = IntStream.of(places).map(moment::classOf).toArray();
    placesOfClass = new int[moment.classCount() + 1];
    for (int number : classes) {
      placesOfClass[number + 1]++;
    }
    Arrays.parallelPrefix(placesOfClass, Integer::sum);
    inClassOrder = new int[places.length];
    int[] next = placesOfClass.clone();
    for (int i = 0; i < places.length; i++) {
      inClassOrder[next[classes[i]]++] = i;
    }
    placeStarts = new int[places.length];
    placeLengths = new byte[places.length];
    long[] text = new long[1 << 13];
    int used = 0;
    for (int i = 0; i < places.length; i++) {
      byte[] part = bytes(format.beforePlace + snapshot.place(places[i]).id() + format.beforeRights);
      long[] eights = eightByEight(part);
      text = used + eights.length <= text.length ? text : Arrays.copyOf(text, text.length * 2);
      System.arraycopy(eights, 0, text, used, eights.length);
      placeStarts[i] = used;
      placeLengths[i] = (byte) part.length;
      used += eights.length;
    }
    placeText = text;
  }

  /** Texts this short are copied fastest in steps of eight bytes: what is copied too much is written over by what follows. */
  private static long[] eightByEight(byte[] text) {
    byte[] padded = Arrays.copyOf(text, (text.length + 7) / 8 * 8);
    long[] eights = new long[padded.length / 8];
    for (int i = 0; i < eights.length; i++) {
      eights[i] = (long) EIGHT_BYTES.get(padded, i * 8);
    }
    return eights;
  }

  /**
   * Writes all rows; returns how many. The stream is flushed and left open. Some people's rows are made side by side,
   * while those of the ones before them are written: memory grows with what one person reaches, not with all rows.
   *
   * @param standing standing rights rather than rights now
   */
  public static long write(SnapshotAt moment, Format format, boolean standing, OutputStream out) throws IOException {
    AccessRows rows = new AccessRows(moment, format, standing);
    out.write(bytes(format.head));
    int[] people = rows.snapshot.peopleInOrder().toArray();
    int together = together(rows.places.length);
    List<RowsOfOne> made = rows.empty(together);
    List<RowsOfOne> spare = rows.empty(together);
    CompletableFuture<Void> written = CompletableFuture.completedFuture(null);
    long count = 0;
    for (int first = 0; first < people.length; first += together) {
      List<RowsOfOne> filled = made.subList(0, Math.min(together, people.length - first));
      int start = first;
      IntStream.range(0, filled.size()).parallel().forEach(i -> filled.get(i).fill(people[start + i]));
      finish(written);
      for (RowsOfOne one : filled) {
        count += one.count;
      }
      written = CompletableFuture.runAsync(() -> writeAll(filled, out));
      List<RowsOfOne> beingWritten = made;
      made = spare;
      spare = beingWritten;
    }
    finish(written);
    out.flush();
    return count;
  }

  private static int together(int places) {
    int processors = Runtime.getRuntime().availableProcessors();
    long fitting = BYTES_AHEAD / (1 + (long) places * USUAL_ROW);
    return (int) Math.max(processors, Math.min((long) processors * MOST_AHEAD, fitting));
  }

  private List<RowsOfOne> empty(int count) {
    return Stream.generate(RowsOfOne::new).limit(count).toList();
  }

  private static void writeAll(List<RowsOfOne> filled, OutputStream out) {
    try {
      for (RowsOfOne one : filled) {
        out.write(one.text, 0, one.used);
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  private static void finish(CompletableFuture<Void> written) throws IOException {
    try {
      written.join();
    } catch (CompletionException e) {
      if (e.getCause() instanceof UncheckedIOException failed) {
        throw failed.getCause();
      }
      throw e;
    }
  }

  /** One person's rows, made over and over in the same memory. */
  private final class RowsOfOne {
    private final long[] reached = new long[(places.length + 63) / 64];
    private byte[] text = new byte[1 << 17];
    private int used;
    private long count;

    void fill(int person) {
      used = 0;
      count = 0;
      byte[] begin = bytes(format.beforePerson + snapshot.person(person).id());
      long[] start = eightByEight(begin);
      int[] byClass = moment.rightsInEveryClass(person);
      markReached(byClass);
      for (int word = 0; word < reached.length; word++) {
        for (long bits = reached[word]; bits != 0; bits &= bits - 1) {
          int i = (word << 6) + Long.numberOfTrailingZeros(bits);
          int mask = standing || !moment.isConditioned(places[i]) ? byClass[classes[i]] : moment.rightsNow(person, places[i]).mask();
          if (mask != 0) {
            count++;
            if (used > text.length - LONGEST_ROW) {
              text = Arrays.copyOf(text, text.length * 2);
            }
            put(start, 0, begin.length);
            put(placeText, placeStarts[i], placeLengths[i]);
            put(rights[mask], 0, rightsLengths[mask]);
          }
        }
      }
    }

    /** Most people reach little: going from the classes they have rights in to the places is less than going through all places. */
    private void markReached(int[] byClass) {
      Arrays.fill(reached, 0);
      for (int number = 0; number < byClass.length; number++) {
        if (byClass[number] != 0) {
          for (int i = placesOfClass[number]; i < placesOfClass[number + 1]; i++) {
            reached[inClassOrder[i] >> 6] |= 1L << inClassOrder[i];
          }
        }
      }
    }

    private void put(long[] part, int from, int length) {
      for (int at = 0; at < length; at += 8) {
        EIGHT_BYTES.set(text, used + at, part[from + (at >> 3)]);
      }
      used += length;
    }
  }

  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.US_ASCII);
  }
}
