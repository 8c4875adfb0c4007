package palegate.core.wallsatwork;

import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/**
 * What of a wall is looked for in the text of documents: the number of a case, or the name of a matter.
 *
 * @param text the number or the name
 * @param from the value or the place it was taken from
 */
public record SearchTerm(Kind kind, String text, String from) {
  /** A number is written in several ways, a name with any signs between its words. */
  public enum Kind {
    NUMBER, NAME
  }

  private static final String NOT_WITHIN_A_WORD = "[\\p{L}\\p{N}]";
  private static final Pattern LETTERS_AND_DIGITS = Pattern.compile("(\\p{L}+)[^\\p{L}\\p{N}]*(\\p{N}+)");

  /** The words of which a text that says it must have one of each list: letters and digits only. A number may be one word with its letters, or stand by itself. */
  public List<List<String>> words() {
    Matcher number = LETTERS_AND_DIGITS.matcher(text);
    if (kind == Kind.NUMBER && number.matches()) {
      return List.of(List.of(number.group(1) + number.group(2), number.group(2)));
    }
    return plainWords().map(List::of).toList();
  }

  private Stream<String> plainWords() {
    return Stream.of(text.split("[^\\p{L}\\p{N}]+")).filter(word -> !word.isEmpty());
  }

  /** A regular expression, in what all dialects have in common, for the ways in which a text may say it; capitals or not is left to whoever looks. */
  public String expression() {
    Matcher number = LETTERS_AND_DIGITS.matcher(text);
    String said = kind == Kind.NUMBER && number.matches() ? number.group(1) + "[-/ ]?" + number.group(2) : plainWords().collect(Collectors.joining("[^\\p{L}\\p{N}]{1,3}"));
    return "(?<!" + NOT_WITHIN_A_WORD + ")" + said + "(?!" + NOT_WITHIN_A_WORD + ")";
  }
}
