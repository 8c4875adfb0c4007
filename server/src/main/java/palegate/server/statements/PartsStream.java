package palegate.server.statements;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterInputStream;

/** Cuts what is written to it into pieces and hands each on deflated; memory does not grow with what is written. */
final class PartsStream extends OutputStream {
  /** Where a piece goes; its number counts from 0. */
  interface Taker {
    void take(int number, byte[] deflated);
  }

  private static final int PIECE = 4 * 1024 * 1024;

  private final Taker taker;
  private final long bytesAtMost;
  private final byte[] piece = new byte[PIECE];
  private int filled;
  private int number;
  private long bytes;

  PartsStream(Taker taker, long bytesAtMost) {
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
  }

  private void handOn() throws IOException {
    ByteArrayOutputStream deflated = new ByteArrayOutputStream(PIECE / 4);
    Deflater fast = new Deflater(Deflater.BEST_SPEED);
    try (DeflaterOutputStream out = new DeflaterOutputStream(deflated, fast, 64 * 1024)) {
      out.write(piece, 0, filled);
    } finally {
      fast.end();
    }
    taker.take(number++, deflated.toByteArray());
    filled = 0;
  }

  static byte[] inflated(byte[] deflated) throws IOException {
    try (InflaterInputStream in = new InflaterInputStream(new ByteArrayInputStream(deflated))) {
      return in.readNBytes(PIECE);
    }
  }

  /** More than a file may have. */
  static final class TooLarge extends IOException {}
}
