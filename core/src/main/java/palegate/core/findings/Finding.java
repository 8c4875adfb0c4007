package palegate.core.findings;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.List;

/**
 * Something a careful person would want to know about a structure, though it is not wrong. The same fact is the same finding tomorrow: its
 * key says what it is about; its facts are its text and its evidence.
 *
 * @param rule the code of the rule that found it
 * @param thing what it is about, as {@code kind:id}
 * @param detail tells findings of one rule about one thing apart; empty where there is only one
 * @param text what was found, naming names
 * @param evidence what speaks for it, a line each
 * @param fixes what would mend it; empty where nobody but a person can say
 */
public record Finding(String rule, Severity severity, String thing, String detail, String text, List<String> evidence, List<Fix> fixes) {
  public Finding {
    evidence = List.copyOf(evidence);
    fixes = List.copyOf(fixes);
  }

  /** The same as long as it is about the same. */
  public String key() {
    return detail.isEmpty() ? rule + " " + thing : rule + " " + thing + " " + detail;
  }

  /** Another as soon as what was found is another. */
  public String facts() {
    try {
      MessageDigest digest = MessageDigest.getInstance("SHA-256");
      digest.update((text + "\n" + String.join("\n", evidence)).getBytes(StandardCharsets.UTF_8));
      return HexFormat.of().formatHex(digest.digest(), 0, 16);
    } catch (NoSuchAlgorithmException everyPlatformHasIt) {
      throw new IllegalStateException(everyPlatformHasIt);
    }
  }
}
