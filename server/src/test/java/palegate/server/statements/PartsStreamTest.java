package palegate.server.statements;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** A file in pieces that is gone on with: what is there and says the same stays, and nothing of another file is left. */
class PartsStreamTest {
  /** What the database has of a file. */
  private static final class Kept implements PartsStream.Taker {
    private final List<String> digests = new ArrayList<>();
    private final List<byte[]> pieces = new ArrayList<>();
    private int written;

    @Override
    public void take(int number, String digest, byte[] deflated) {
      assertThat(number).as("the next one").isEqualTo(digests.size());
      digests.add(digest);
      pieces.add(deflated);
      written++;
    }

    @Override
    public void drop(int from) {
      digests.subList(from, digests.size()).clear();
      pieces.subList(from, pieces.size()).clear();
    }

    private byte[] whole() throws IOException {
      ByteArrayOutputStream whole = new ByteArrayOutputStream();
      for (byte[] piece : pieces) {
        whole.write(PartsStream.inflated(piece));
      }
      return whole.toByteArray();
    }
  }

  private static final int PIECE = 4 * 1024 * 1024;

  private static void write(Kept kept, byte[] text) throws IOException {
    kept.written = 0;
    try (PartsStream out = new PartsStream(kept.digests, kept, Long.MAX_VALUE)) {
      out.write(text);
    }
  }

  private static byte[] text(long seed, int length) {
    byte[] text = new byte[length];
    new Random(seed).nextBytes(text);
    return text;
  }

  @Test
  void only_what_is_missing_is_written() throws IOException {
    byte[] text = text(1, 3 * PIECE + 5);
    Kept kept = new Kept();
    write(kept, text);
    assertThat(kept.written).isEqualTo(4);
    assertThat(kept.whole()).isEqualTo(text);
    for (int there = 4; there >= 0; there--) {
      kept.drop(there);
      write(kept, text);
      assertThat(kept.written).as("beside the %s that are there", there).isEqualTo(4 - there);
      assertThat(kept.whole()).isEqualTo(text);
    }
  }

  @Test
  void of_another_file_nothing_is_left_from_where_it_differs() throws IOException {
    byte[] text = text(2, 3 * PIECE);
    for (int at : new int[] {0, PIECE - 1, PIECE, 3 * PIECE - 1}) {
      Kept kept = new Kept();
      byte[] other = text.clone();
      other[at]++;
      write(kept, other);
      write(kept, text);
      assertThat(kept.written).isEqualTo(3 - at / PIECE);
      assertThat(kept.whole()).as("differing at %s", at).isEqualTo(text);
    }
  }

  @Test
  void a_longer_file_leaves_no_end() throws IOException {
    Kept kept = new Kept();
    byte[] text = text(3, 2 * PIECE);
    byte[] longer = Arrays.copyOf(text, 3 * PIECE + 9);
    write(kept, longer);
    write(kept, text);
    assertThat(kept.written).isZero();
    assertThat(kept.whole()).isEqualTo(text);
    write(kept, new byte[0]);
    assertThat(kept.whole()).isEmpty();
  }
}
