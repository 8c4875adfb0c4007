package palegate.core.rounds;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** What a reviewer says of an item. Nothing is decided until somebody says it. */
public enum Decision {
  KEEP("keep"),
  /** To another role, or with another end. */
  CHANGE("change"),
  REMOVE("remove"),
  /** Somebody else has to say. */
  NOT_MINE("not mine"),
  /** A question to whoever runs the round. */
  ASK("ask");

  private final String words;

  Decision(String words) {
    this.words = words;
  }

  /** As people write it, in files too. */
  public String words() {
    return words;
  }

  /** Whether it settles the item. */
  public boolean settles() {
    return this == KEEP || this == CHANGE || this == REMOVE;
  }

  /** In capitals or not, with blanks around it. */
  public static Optional<Decision> parse(String text) {
    String plain = text.strip().toLowerCase(Locale.ROOT).replace('_', ' ');
    return Arrays.stream(values()).filter(one -> one.words.equals(plain)).findFirst();
  }
}
