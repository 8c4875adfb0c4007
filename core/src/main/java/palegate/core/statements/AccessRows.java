package palegate.core.statements;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Moment;
import palegate.core.snapshot.Snapshot;

/**
 * Everyone's rights everywhere: one row for each person and place with at least one right, by person id,
 * then place id, in byte order. Memory does not grow with the number of rows. Ids need no quoting in
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

  private static final int BUFFER = 1 << 17;
  private static final int LONGEST_ROW = 512;

  private final Moment moment;
  private final Snapshot snapshot;
  private final boolean standing;
  private final OutputStream out;
  private final byte[] buffer = new byte[BUFFER];
  private int used;
  private final byte[][] rights = new byte[512][];
  private final int[] places;
  /** The text of each place's part of a row, one after the other, and where each begins. */
  private final byte[] placeText;
  private final int[] placeStarts;

  private AccessRows(Moment moment, Format format, boolean standing, OutputStream out) {
    this.moment = moment;
    this.standing = standing;
    this.out = out;
    snapshot = moment.snapshot();
    for (int mask = 0; mask < rights.length; mask++) {
      rights[mask] = bytes(format.rights(Rights.ofMask(mask)) + format.end);
    }
    places = IntStream.range(0, snapshot.placeCount()).boxed()
        .sorted((a, b) -> snapshot.place(a).id().compareTo(snapshot.place(b).id())).mapToInt(Integer::intValue).toArray();
    placeStarts = new int[places.length + 1];
    byte[] text = new byte[1 << 16];
    for (int i = 0; i < places.length; i++) {
      byte[] part = bytes(format.beforePlace + snapshot.place(places[i]).id() + format.beforeRights);
      placeStarts[i + 1] = placeStarts[i] + part.length;
      if (placeStarts[i + 1] > text.length) {
        text = Arrays.copyOf(text, text.length * 2);
      }
      System.arraycopy(part, 0, text, placeStarts[i], part.length);
    }
    placeText = text;
  }

  /**
   * Writes all rows; returns how many. The stream is flushed and left open.
   *
   * @param standing standing rights rather than rights now
   */
  public static long write(Moment moment, Format format, boolean standing, OutputStream out) throws IOException {
    AccessRows rows = new AccessRows(moment, format, standing, out);
    rows.put(bytes(format.head), 0, format.head.length());
    long count = 0;
    for (int person = 0; person < rows.snapshot.personCount(); person++) {
      count += rows.writePerson(person, bytes(format.beforePerson + rows.snapshot.person(person).id()));
    }
    out.write(rows.buffer, 0, rows.used);
    out.flush();
    return count;
  }

  private long writePerson(int person, byte[] start) throws IOException {
    int[] byClass = moment.rightsInEveryClass(person);
    long count = 0;
    for (int i = 0; i < places.length; i++) {
      int mask = byClass[moment.classOf(places[i])];
      if (mask != 0 && !standing && moment.isConditioned(places[i])) {
        mask = moment.rightsNow(person, places[i]).mask();
      }
      if (mask != 0) {
        count++;
        if (used > BUFFER - LONGEST_ROW) {
          out.write(buffer, 0, used);
          used = 0;
        }
        put(start, 0, start.length);
        put(placeText, placeStarts[i], placeStarts[i + 1] - placeStarts[i]);
        put(rights[mask], 0, rights[mask].length);
      }
    }
    return count;
  }

  private void put(byte[] text, int from, int length) {
    System.arraycopy(text, from, buffer, used, length);
    used += length;
  }

  private static byte[] bytes(String text) {
    return text.getBytes(StandardCharsets.US_ASCII);
  }
}
