package palegate.server.session;

import java.text.Normalizer;
import java.util.Locale;

/** Logins as they are compared and counted: one login, however it was typed. */
final class Logins {
  private Logins() {}

  /** Without blanks around, signs that nobody sees, and different ways to write one letter. */
  static String canonical(String login) {
    StringBuilder seen = new StringBuilder();
    Normalizer.normalize(login, Normalizer.Form.NFKC).codePoints()
        .filter(letter -> Character.getType(letter) != Character.FORMAT && !Character.isISOControl(letter)).forEach(seen::appendCodePoint);
    return seen.toString().strip().toLowerCase(Locale.ROOT);
  }
}
