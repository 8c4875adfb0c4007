package palegate.exports;

import java.io.IOException;

/** More rows than such a file is made for; nothing was written. */
public final class TooManyRows extends IOException {
  private final int most;

  public TooManyRows(int most) {
    super("The statement has more than " + most + " rows, too many for such a file.");
    this.most = most;
  }

  public int most() {
    return most;
  }
}
