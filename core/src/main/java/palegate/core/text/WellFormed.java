package palegate.core.text;

import java.time.Instant;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;

/**
 * What may be kept, wherever it comes from: a bundle, the API, an undo. What is refused here is what the database could not
 * keep as it is, what an export could not be read back with, and what people could not see (section 1 of the format).
 */
public final class WellFormed {
  /**
   * What is wrong, and what would be right.
   *
   * @param tooMany whether it is of how many things there are: so many are not looked at one by one
   */
  public record Wrong(String what, String remedy, boolean tooMany) {
    public Wrong(String what, String remedy) {
      this(what, remedy, false);
    }
  }

  public static final int ID_AT_MOST = 64;
  public static final int NAME_AT_MOST = 300;
  public static final int TEXT_AT_MOST = 4_000;
  public static final int LOGIN_AT_MOST = 200;
  public static final int EMAIL_AT_MOST = 320;
  public static final int KEY_AT_MOST = 100;
  public static final int VALUE_AT_MOST = 1_000;
  /** Something, an at sign, and a host: whether mail arrives is found out by sending some. */
  private static final Pattern EMAIL = Pattern.compile("[^\\s@<>\",;]{1,64}@[^\\s@<>\",;]{1,255}");
  private static final int ECHOED_AT_MOST = 60;
  private static final Instant EARLIEST = Instant.parse("1000-01-01T00:00:00Z");
  private static final Instant LATEST = Instant.parse("9999-12-31T23:59:59.999999Z");

  private WellFormed() {}

  /** For constructors: what no way in lets through is never held either. */
  public static <T> void require(Function<T, Optional<Wrong>> rule, T value) {
    rule.apply(value).ifPresent(wrong -> {
      throw new IllFormed(wrong);
    });
  }

  public static Optional<Wrong> id(String id) {
    return isId(id) ? Optional.empty()
        : wrong("The id [" + echoed(id) + "] is not one that can be kept.", "Use 1 to " + ID_AT_MOST + " letters, digits and signs among . _ : - for it.");
  }

  private static boolean isId(String id) {
    boolean sound = !id.isEmpty() && id.length() <= ID_AT_MOST;
    for (int i = 0; sound && i < id.length(); i++) {
      char letter = id.charAt(i);
      sound = letter >= 'a' && letter <= 'z' || letter >= 'A' && letter <= 'Z' || letter >= '0' && letter <= '9' || letter == '.' || letter == '_' || letter == ':' || letter == '-';
    }
    return sound;
  }

  /** What something is called: one line, seen as it is. */
  public static Optional<Wrong> name(String name) {
    return name.isBlank() ? wrong("The name is empty.", "Give it a name.")
        : name.length() > NAME_AT_MOST ? wrong("The name is " + name.length() + " characters long.", "Choose one of at most " + NAME_AT_MOST + ".")
        : seen("The name", name, false);
  }

  /** A text of several lines, or none. */
  public static Optional<Wrong> text(String text) {
    return text == null ? Optional.empty()
        : text.length() > TEXT_AT_MOST ? wrong("The text is " + text.length() + " characters long.", "Write at most " + TEXT_AT_MOST + ".") : seen("The text", text, true);
  }

  /** A login: without blanks around, and of one script, so that no two look alike. */
  public static Optional<Wrong> login(String login) {
    if (login == null) {
      return Optional.empty();
    }
    if (login.isBlank() || !login.equals(login.strip()) || login.length() > LOGIN_AT_MOST) {
      return wrong("The login [" + echoed(login) + "] is empty, has blanks around it or is longer than " + LOGIN_AT_MOST + ".", "Leave it out, or write it without blanks around it.");
    }
    Set<Character.UnicodeScript> scripts = EnumSet.noneOf(Character.UnicodeScript.class);
    login.codePoints().filter(Character::isLetter).mapToObj(Character.UnicodeScript::of).forEach(scripts::add);
    boolean joiners = login.codePoints().anyMatch(letter -> Character.getType(letter) == Character.FORMAT);
    return scripts.size() > 1 || joiners
        ? wrong("The login [" + shown(login) + "] mixes letters of different scripts, or holds signs that nobody sees: it would look like another.", "Write it in letters of one script.")
        : seen("The login", login, false);
  }

  public static Optional<Wrong> email(String email) {
    return email == null ? Optional.empty()
        : email.isBlank() || email.length() > EMAIL_AT_MOST ? wrong("The e-mail address is empty or longer than " + EMAIL_AT_MOST + ".", "Leave it out, or write a shorter one.")
        : !EMAIL.matcher(email).matches() ? wrong("[" + echoed(email) + "] is no e-mail address.", "Write one such as name@example.org, or leave it out.")
        : seen("The e-mail address", email, false);
  }

  /** The key of a label, or of a field. */
  public static Optional<Wrong> key(String key) {
    return key.isBlank() || !key.equals(key.strip()) || key.length() > KEY_AT_MOST
        ? wrong("The key [" + echoed(key) + "] is empty, has blanks around it or is longer than " + KEY_AT_MOST + ".", "Write a shorter one, without blanks around it.")
        : seen("The key", key, false);
  }

  /** The value of a label; an empty one is none and is not asked about. */
  public static Optional<Wrong> value(String value) {
    return value.isBlank() || !value.equals(value.strip()) || value.length() > VALUE_AT_MOST
        ? wrong("The value [" + echoed(value) + "] is blank, has blanks around it or is longer than " + VALUE_AT_MOST + ".", "Write a shorter one, without blanks around it, or leave it out.")
        : seen("The value", value, true);
  }

  public static Optional<Wrong> instant(Instant instant) {
    return instant == null || !instant.isBefore(EARLIEST) && !instant.isAfter(LATEST) ? Optional.empty()
        : wrong("The instant [" + echoed(instant.toString()) + "] is before the year 1000 or after 9999.", "Choose one in between.");
  }

  public static Optional<Wrong> atMost(String things, int count, int most) {
    return count <= most ? Optional.empty() : Optional.of(new Wrong("There are " + count + " " + things + ".", "Use at most " + most + ".", true));
  }

  /** Whether every letter of a text is one that can be kept and seen for what it is. */
  private static Optional<Wrong> seen(String what, String text, boolean lines) {
    for (int i = 0; i < text.length(); i++) {
      if (!mayStand(text, i, lines)) {
        return wrong(what + " [" + shown(text) + "] holds signs that nobody sees or that cannot be kept.", "Take out " + String.format("U+%04X", (int) text.charAt(i)) + ".");
      }
    }
    return Optional.empty();
  }

  private static boolean mayStand(String text, int at, boolean lines) {
    char letter = text.charAt(at);
    if (Character.isHighSurrogate(letter)) {
      return at + 1 < text.length() && Character.isLowSurrogate(text.charAt(at + 1));
    }
    if (Character.isLowSurrogate(letter)) {
      return at > 0 && Character.isHighSurrogate(text.charAt(at - 1));
    }
    if (letter < ' ' || letter >= 0x7F && letter <= 0x9F) {
      return lines && (letter == '\n' || letter == '\t' || letter == '\r');
    }
    boolean turnsAround = letter >= '\u202A' && letter <= '\u202E' || letter >= '\u2066' && letter <= '\u2069' || letter == '\u200E' || letter == '\u200F' || letter == '\u061C';
    boolean unseen = letter == '\u200B' || letter >= '\u2060' && letter <= '\u2064' || letter == '\uFEFF' || letter == '\u00AD' || letter == '\u2028' || letter == '\u2029';
    return !turnsAround && !unseen && letter < '\uFFFE';
  }

  private static Optional<Wrong> wrong(String what, String remedy) {
    return Optional.of(new Wrong(what, remedy));
  }

  /** What was refused, cut, with what nobody sees written out. */
  public static String echoed(String text) {
    return shown(text.length() > ECHOED_AT_MOST ? text.substring(0, ECHOED_AT_MOST) + " …" : text);
  }

  /** A text with what nobody sees written out. */
  private static String shown(String text) {
    String cut = text.length() > ECHOED_AT_MOST * 2 ? text.substring(0, ECHOED_AT_MOST) + " …" : text;
    StringBuilder shown = new StringBuilder();
    for (int i = 0; i < cut.length(); i++) {
      shown.append(mayStand(cut, i, false) ? String.valueOf(cut.charAt(i)) : String.format("\\u%04X", (int) cut.charAt(i)));
    }
    return shown.toString();
  }
}
