package palegate.server.session;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import palegate.server.shell.Problem;

/** Which passwords are good enough: by length and by a list of common ones, never by which signs they are made of. */
final class Passwords {
  static final int SHORTEST = 12;
  static final int LONGEST = 200;
  private static final Set<String> COMMON = common();

  private Passwords() {}

  static void refuseWeak(String password, Accounts.Account of) {
    why(password, of.login(), of.name()).ifPresent(why -> {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "weak-password", "Choose another password", why);
    });
  }

  /** What is wrong with it, and what would be right. */
  static Optional<String> why(String password, String login, String name) {
    String small = password.toLowerCase(Locale.ROOT);
    if (password.length() < SHORTEST) {
      return Optional.of("It has " + password.length() + " letters. Use at least " + SHORTEST + ": a few words do.");
    }
    if (password.length() > LONGEST) {
      return Optional.of("It has more than " + LONGEST + " letters. Use fewer.");
    }
    if (COMMON.contains(small) || small.chars().distinct().count() < 4) {
      return Optional.of("It is among those that are tried first. Use a few words that do not go together.");
    }
    return small.contains(login.toLowerCase(Locale.ROOT)) || small.contains(name.toLowerCase(Locale.ROOT)) ? Optional.of("It holds your name. Use something that nobody would guess of you.") : Optional.empty();
  }

  private static Set<String> common() {
    try (BufferedReader lines = new BufferedReader(new InputStreamReader(Passwords.class.getResourceAsStream("common-passwords.txt"), StandardCharsets.UTF_8))) {
      return lines.lines().collect(Collectors.toUnmodifiableSet());
    } catch (IOException unreadable) {
      throw new UncheckedIOException(unreadable);
    }
  }
}
