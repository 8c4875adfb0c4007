package palegate.server.statements;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;
import java.util.zip.Deflater;
import java.util.zip.DeflaterOutputStream;
import java.util.zip.InflaterInputStream;

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
  private final byte[] piece = new byte[PIECE];
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
    startAfresh();
  }

  private void startAfresh() {
    if (number < there.size()) {
      taker.drop(number);
    }
    there = List.of();
  }

  private void handOn() throws IOException {
    String digest = digestOfPiece();
    if (number < there.size() && there.get(number).equals(digest)) {
      number++;
      filled = 0;
      return;
    }
    startAfresh();
    ByteArrayOutputStream deflated = new ByteArrayOutputStream(PIECE / 4);
    Deflater fast = new Deflater(Deflater.BEST_SPEED);
    try (DeflaterOutputStream out = new DeflaterOutputStream(deflated, fast, 64 * 1024)) {
      out.write(piece, 0, filled);
    } finally {
      fast.end();
    }
    taker.take(number++, digest, deflated.toByteArray());
    filled = 0;
  }

  private String digestOfPiece() {
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      digest.update(piece, 0, filled);
      return HexFormat.of().formatHex(digest.digest());
    } catch (NoSuchAlgorithmException everyPlatformHasIt) {
      throw new IllegalStateException(everyPlatformHasIt);
    }
  }

  static byte[] inflated(byte[] deflated) throws IOException {
    try (InflaterInputStream in = new InflaterInputStream(new ByteArrayInputStream(deflated))) {
      return in.readNBytes(PIECE);
    }
  }

  /** More than a file may have. */
  static final class TooLarge extends IOException {}
}
