package palegate.exports;

import java.io.IOException;

/** A file that cannot be read: what is wrong with it, and what would be right. */
public final class UnreadableFile extends IOException {
  private final String what;
  private final String remedy;

  public UnreadableFile(String what, String remedy) {
    super(what + " " + remedy);
    this.what = what;
    this.remedy = remedy;
  }

  public String what() {
    return what;
  }

  public String remedy() {
    return remedy;
  }
}
