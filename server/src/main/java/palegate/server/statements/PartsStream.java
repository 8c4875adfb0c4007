package palegate.server.statements;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.zip.CRC32;
import java.util.zip.CRC32C;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterInputStream;
import palegate.core.collections.Beside;

/**
 * Cuts what is written to it into pieces and hands each on deflated; memory does not grow with what is written. A file that somebody else has
 * begun is gone on with: a piece that is there already and says the same is neither deflated nor handed on again.
 */
final class PartsStream extends OutputStream {
  /** Where a piece goes; its number counts from 0. */
  interface Taker {
    void take(int number, String digest, byte[] deflated);

    /** What is there from that number on is of another file. */
    void drop(int from);
  }

  private static final int PIECE = 4 * 1024 * 1024;

  private final Taker taker;
  private final long bytesAtMost;
  /** Digests of the pieces that are there, as long as all so far were the same. */
  private List<String> there;
  private byte[] piece = new byte[PIECE];
  /** What was filled before, while it is deflated and handed on beside whoever writes. */
  private byte[] spare = new byte[PIECE];
  private final Beside beside = new Beside();
  private int filled;
  private int number;
  private long bytes;

  /** @param there digests of the pieces that are there already, from the first on */
  PartsStream(List<String> there, Taker taker, long bytesAtMost) {
    this.there = List.copyOf(there);
    this.taker = taker;
    this.bytesAtMost = bytesAtMost;
  }

  long bytes() {
    return bytes;
  }

  @Override
  public void write(int one) throws IOException {
    write(new byte[] {(byte) one}, 0, 1);
  }

  @Override
  public void write(byte[] from, int offset, int length) throws IOException {
    bytes += length;
    if (bytes > bytesAtMost) {
      throw new TooLarge();
    }
    int done = 0;
    while (done < length) {
      int step = Math.min(length - done, PIECE - filled);
      System.arraycopy(from, offset + done, piece, filled, step);
      filled += step;
      done += step;
      if (filled == PIECE) {
        handOn();
      }
    }
  }

  /** What is left becomes the last piece; writers that flush under way do not make small ones. */
  @Override
  public void close() throws IOException {
    if (filled > 0) {
      handOn();
    }
    beside.finish();
    startAfresh(number);
  }

  /** Waits until nothing is written any more, whatever went wrong. */
  void giveUp() {
    beside.giveUp();
  }

  private void startAfresh(int from) {
    if (from < there.size()) {
      taker.drop(from);
    }
    there = List.of();
  }

  private void handOn() {
    byte[] full = piece;
    int length = filled;
    int at = number++;
    beside.handOn(() -> take(at, full, length));
    piece = spare;
    spare = full;
    filled = 0;
  }

  private void take(int at, byte[] full, int length) {
    String digest = digest(full, length);
    if (at < there.size() && there.get(at).equals(digest)) {
      return;
    }
    startAfresh(at);
    ByteArrayOutputStream deflated = new ByteArrayOutputStream(PIECE / 4);
    Deflater fast = new Deflater(Deflater.BEST_SPEED);
    try (DeflaterOutputStream out = new DeflaterOutputStream(deflated, fast, 64 * 1024)) {
      out.write(full, 0, length);
    } catch (IOException failed) {
      throw new UncheckedIOException(failed);
    } finally {
      fast.end();
    }
    taker.take(at, digest, deflated.toByteArray());
  }

  /** Of two kinds of sums and the length: what is meant is whether the same was made again, by whoever made it before. */
  private static String digest(byte[] full, int length) {
    CRC32 one = new CRC32();
    CRC32C other = new CRC32C();
    one.update(full, 0, length);
    other.update(full, 0, length);
    return String.format("%08x%08x-%d", one.getValue(), other.getValue(), length);
  }

  static byte[] inflated(byte[] deflated) throws IOException {
    try (InflaterInputStream in = new InflaterInputStream(new ByteArrayInputStream(deflated))) {
      return in.readNBytes(PIECE);
    }
  }

  /** More than a file may have. */
  static final class TooLarge extends IOException {}
}
