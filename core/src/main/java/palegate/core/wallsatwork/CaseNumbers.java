package palegate.core.wallsatwork;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Numbers of cases in texts: written plain, letters and digits alone in small letters, so that C-2411 and c 2411 are the same. */
final class CaseNumbers {
  /** Letters that number a case, then its number, or a number of three digits and more alone. */
  private static final Pattern NUMBER = Pattern.compile("(?<![\\p{L}\\p{N}])(\\p{Lu}{1,4}[-/ ]?)?(\\d{3,})(?![\\p{L}\\p{N}])");
  /** A year numbers nothing. */
  private static final Pattern YEAR = Pattern.compile("(19|20)\\d\\d");

  private CaseNumbers() {}

  /** Every number that a text gives, in its order, but for years. */
  static List<String> in(String text) {
    return List.copyOf(written(text).keySet());
  }

  /** The same, each with how the text writes it first. */
  static Map<String, String> written(String text) {
    Map<String, String> numbers = new LinkedHashMap<>();
    for (Matcher matcher = NUMBER.matcher(text); matcher.find();) {
      if (matcher.group(1) != null || !YEAR.matcher(matcher.group(2)).matches()) {
        numbers.putIfAbsent(LabelsInUse.plain(matcher.group()), matcher.group());
      }
    }
    return numbers;
  }

  /** Whether a text gives just this number: C 2411 is C-2411, 2411 alone may be another thing's. */
  static boolean says(String text, String number) {
    for (Matcher matcher = NUMBER.matcher(text); matcher.find();) {
      if (LabelsInUse.plain(matcher.group()).equals(number)) {
        return true;
      }
    }
    return false;
  }

  /** Whether it gives any of some numbers so. */
  static boolean saysAny(String text, Set<String> numbers) {
    for (Matcher matcher = NUMBER.matcher(text); matcher.find();) {
      if (numbers.contains(LabelsInUse.plain(matcher.group()))) {
        return true;
      }
    }
    return false;
  }

  static String without(String text) {
    return NUMBER.matcher(text).replaceAll(" ");
  }

  static String digits(String number) {
    return number.replaceAll("\\D", "");
  }

  /** The letters before the digits; empty for a number alone. */
  static String letters(String number) {
    return number.replaceAll("\\P{L}", "");
  }
}
