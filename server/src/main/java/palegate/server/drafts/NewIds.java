package palegate.server.drafts;

import java.text.Normalizer;
import java.util.Locale;
import java.util.UUID;

/** Ids for new things: told from their names, so that an export can be read, and never the same twice. */
public final class NewIds {
  private static final int LETTERS_OF_THE_NAME = 40;

  private NewIds() {}

  public static String of(String prefix, String name) {
    String plain = Normalizer.normalize(name, Normalizer.Form.NFD).replaceAll("\\p{M}", "").toLowerCase(Locale.ROOT)
        .replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
    String start = plain.length() > LETTERS_OF_THE_NAME ? plain.substring(0, LETTERS_OF_THE_NAME) : plain;
    return prefix + "-" + (start.isEmpty() ? "" : start + "-") + UUID.randomUUID().toString().substring(0, 6);
  }
}
