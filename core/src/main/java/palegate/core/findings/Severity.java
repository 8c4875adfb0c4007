package palegate.core.findings;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;

/** How much a finding weighs; the gravest first. */
public enum Severity {
  /** Somebody can do what they should not, or nobody can do what somebody must. */
  GRAVE,
  /** It will be wrong before long, or hides what is. */
  SERIOUS,
  /** Lists would say the same in fewer lines. */
  UNTIDY;

  public String word() {
    return name().toLowerCase(Locale.ROOT);
  }

  public static Optional<Severity> parse(String word) {
    return Arrays.stream(values()).filter(one -> one.word().equals(word)).findFirst();
  }
}
