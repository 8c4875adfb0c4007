package palegate.core.bundle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.function.Supplier;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.random.RandomStructures;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;

/** Whatever comes in: a sound structure or faults, never another exception, and always an end. */
class BundleFuzzTest {
  private static final Duration LONG_ENOUGH = Duration.ofSeconds(100);
  private static final List<String> PIECES = List.of("\"", "{", "}", "[", "]", ",", ":", "null", "true", "-1", "1e400", "\"root\"", "\"id\":\"p0\",",
      "\"parent\":\"d1\"", "\"members\":[{\"group\":\"g0\"}],", "\\u0000", "\\ud800", "\u00e5", "\"until\":\"9999-12-31T23:59:59Z\",", "\"from\":\"-99999\",");

  @Test
  void bytes_changed_at_random_never_give_another_exception() {
    for (long seed = 1; seed <= Often.times(4_000); seed++) {
      Random random = new Random(seed);
      byte[] bytes = text(seed % 20 == 0 ? Harbour.structure() : RandomStructures.fromSeed(seed)).getBytes(StandardCharsets.UTF_8);
      for (int i = random.nextInt(6); i >= 0; i--) {
        bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
      }
      assertReadOrRefused(bytes, seed);
    }
  }

  @Test
  void pieces_of_json_put_in_cut_out_and_doubled_at_random_never_give_another_exception() {
    for (long seed = 1; seed <= Often.times(4_000); seed++) {
      Random random = new Random(seed);
      StringBuilder text = new StringBuilder(text(RandomStructures.fromSeed(seed)));
      for (int i = random.nextInt(4); i >= 0 && text.length() > 2; i--) {
        int at = random.nextInt(text.length());
        int end = Math.min(text.length(), at + random.nextInt(40));
        switch (random.nextInt(3)) {
          case 0 -> text.insert(at, PIECES.get(random.nextInt(PIECES.size())));
          case 1 -> text.delete(at, end);
          default -> text.insert(at, text.substring(at, end));
        }
      }
      assertReadOrRefused(text.toString().getBytes(StandardCharsets.UTF_8), seed);
    }
  }

  /** References pointed elsewhere: shapes stay right, so that what is checked last is reached. */
  @Test
  void ids_exchanged_at_random_never_give_another_exception() {
    List<String> ids = List.of("p0", "p1", "g0", "g1", "g2", "u0", "u1", "r0", "t0", "root", "d0", "d1", "d2", "d3", "e0", "x0");
    for (long seed = 1; seed <= Often.times(4_000); seed++) {
      Random random = new Random(seed);
      String text = text(RandomStructures.fromSeed(seed));
      for (int i = random.nextInt(4); i >= 0; i--) {
        String from = '"' + ids.get(random.nextInt(ids.size())) + '"';
        int at = text.indexOf(from, random.nextInt(text.length()));
        if (at >= 0) {
          text = text.substring(0, at) + '"' + ids.get(random.nextInt(ids.size())) + '"' + text.substring(at + from.length());
        }
      }
      assertReadOrRefused(text.getBytes(StandardCharsets.UTF_8), seed);
    }
  }

  @Test
  void a_million_memberships_are_read_in_bounded_time() {
    StringBuilder people = new StringBuilder();
    StringBuilder members = new StringBuilder();
    for (int i = 0; i < 10_000; i++) {
      people.append(i == 0 ? "" : ",").append("{\"id\":\"p").append(i).append("\",\"name\":\"P\"}");
    }
    for (int i = 0; i < 1_000_000; i++) {
      members.append(i == 0 ? "" : ",").append("{\"person\":\"p").append(i % 10_000).append("\"}");
    }
    byte[] bytes = bundle("\"people\":[" + people + "],\"groups\":[{\"id\":\"g\",\"name\":\"G\",\"members\":[" + members + "]}]");
    // Each person stands a hundred times: that is refused, and refusing must not compare each with each.
    assertThat(faultsInTime(bytes)).isNotEmpty();
  }

  @Test
  void a_chain_of_a_hundred_thousand_groups_and_places_is_read_in_bounded_time() {
    StringBuilder groups = new StringBuilder();
    StringBuilder places = new StringBuilder("{\"id\":\"d\",\"kind\":\"repository\",\"name\":\"R\"},{\"id\":\"d0\",\"kind\":\"library\",\"parent\":\"d\",\"name\":\"L\"}");
    for (int i = 0; i < 100_000; i++) {
      groups.append(i == 0 ? "" : ",").append("{\"id\":\"g").append(i).append("\",\"name\":\"G\",\"members\":[")
          .append(i == 0 ? "" : "{\"group\":\"g" + (i - 1) + "\"}").append("]}");
      places.append(",{\"id\":\"d").append(i + 1).append("\",\"kind\":\"folder\",\"parent\":\"d").append(i).append("\",\"name\":\"F\"}");
    }
    Structure read = inTime(() -> read(bundle("\"groups\":[" + groups + "],\"places\":[" + places + "]")));
    assertThat(read.groups()).hasSize(100_000);
    assertThat(read.places()).hasSize(100_002);
  }

  @Test
  void a_name_of_thirty_million_letters_is_refused_in_bounded_time() {
    String huge = "x".repeat(30_000_000);
    assertThat(faultsInTime(bundle("\"units\":[{\"id\":\"u\",\"name\":\"" + huge + "\"}]"))).isNotEmpty();
    assertThat(faultsInTime(bundle("\"" + huge + "\":1"))).isNotEmpty();
  }

  @Test
  void a_key_that_stands_a_hundred_thousand_times_is_refused_in_bounded_time() {
    String[] same = new String[100_000];
    Arrays.fill(same, "\"name\":\"A\"");
    assertThat(faultsInTime(bundle("\"units\":[{\"id\":\"u\"," + String.join(",", same) + "}]"))).isNotEmpty();
  }

  private static void assertReadOrRefused(byte[] bytes, long seed) {
    try {
      assertThat(BundleReader.read(bytes).structure()).isNotNull();
    } catch (InvalidBundle refused) {
      assertThat(refused.faults()).as("seed %d", seed).isNotEmpty();
    } catch (RuntimeException | Error other) {
      throw new AssertionError("seed " + seed + ": " + new String(bytes, StandardCharsets.UTF_8), other);
    }
  }

  private static List<Fault> faultsInTime(byte[] bytes) {
    return inTime(() -> {
      try {
        BundleReader.read(bytes);
        return List.of();
      } catch (InvalidBundle refused) {
        return refused.faults();
      }
    });
  }

  private static <T> T inTime(Supplier<T> work) {
    return assertTimeoutPreemptively(LONG_ENOUGH, work::get);
  }

  private static Structure read(byte[] bytes) {
    try {
      return BundleReader.read(bytes).structure();
    } catch (InvalidBundle refused) {
      throw new AssertionError(refused.faults().toString(), refused);
    }
  }

  private static byte[] bundle(String members) {
    return ("{\"format\":\"pale-gate-bundle\",\"version\":1," + members + "}").getBytes(StandardCharsets.UTF_8);
  }

  private static String text(Structure structure) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    BundleWriter.write(structure, out);
    return out.toString(StandardCharsets.UTF_8);
  }
}
