package palegate.core.rehearsal;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.roles.Rights;

/**
 * A difference as rows {@code person,place,gained,lost} by person id, then place id, in byte order. While
 * it is sorted a row takes eight bytes.
 */
public final class DiffRows {
  private static final int RIGHTS_BITS = 9;
  private static final int PLACE_BITS = 24;

  private DiffRows() {}

  /** Writes the head and all rows; the stream is flushed and left open. */
  public static void write(RightsDifference difference, OutputStream out) throws IOException {
    String[] people = sorted(difference.people().stream().map(shift -> shift.person().id()));
    String[] places = sorted(difference.places().map(shift -> shift.place().id()));
    Map<String, Integer> personRanks = ranks(people);
    Map<String, Integer> placeRanks = ranks(places);
    long[] rows = difference.pairs().mapToLong(pair -> ((long) personRanks.get(pair.person().id()) << PLACE_BITS
        | placeRanks.get(pair.place().id())) << 2 * RIGHTS_BITS
        | (long) pair.gained().mask() << RIGHTS_BITS | pair.lost().mask()).toArray();
    Arrays.sort(rows);
    StringBuilder text = new StringBuilder("person,place,gained,lost\n");
    for (long row : rows) {
      int lost = (int) row & (1 << RIGHTS_BITS) - 1;
      int gained = (int) (row >> RIGHTS_BITS) & (1 << RIGHTS_BITS) - 1;
      int place = (int) (row >> 2 * RIGHTS_BITS) & (1 << PLACE_BITS) - 1;
      int person = (int) (row >> 2 * RIGHTS_BITS + PLACE_BITS);
      text.append(people[person]).append(',').append(places[place]).append(',').append(Rights.ofMask(gained))
          .append(',').append(Rights.ofMask(lost)).append('\n');
      if (text.length() > 1 << 16) {
        flush(text, out);
      }
    }
    flush(text, out);
    out.flush();
  }

  private static void flush(StringBuilder text, OutputStream out) throws IOException {
    out.write(text.toString().getBytes(StandardCharsets.US_ASCII));
    text.setLength(0);
  }

  private static String[] sorted(Stream<String> ids) {
    return ids.distinct().sorted().toArray(String[]::new);
  }

  private static Map<String, Integer> ranks(String[] ids) {
    return IntStream.range(0, ids.length).boxed()
        .collect(Collectors.toMap(rank -> ids[rank], rank -> rank, (a, b) -> a, HashMap::new));
  }
}
