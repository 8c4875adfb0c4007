package palegate.core.types;

import java.math.BigDecimal;
import java.time.LocalDate;
import java.time.format.DateTimeFormatter;
import java.time.format.DateTimeFormatterBuilder;
import java.time.format.DateTimeParseException;
import java.time.format.ResolverStyle;
import java.time.temporal.ChronoField;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;
import palegate.core.types.DocumentType.Field;

/**
 * Values of fields as documents hold them: texts in one form for each kind. A number is written 1234.5, money the same
 * with a currency after it if it has one, a date 2026-10-02, a flag yes or no, a person as their id.
 */
public final class FieldValues {
  private static final Pattern NUMBER = Pattern.compile("-?\\d{1,15}(\\.\\d{1,6})?");
  private static final Pattern MONEY = Pattern.compile("(-?[\\d,  ']{1,20}(?:\\.\\d{1,4})?)\\s*([A-Z]{3})?");
  private static final Set<String> YES = Set.of("yes", "true", "1", "y", "x");
  private static final Set<String> NO = Set.of("no", "false", "0", "n", "-");
  private static final List<DateTimeFormatter> DATES = List.of(
      DateTimeFormatter.ISO_LOCAL_DATE.withResolverStyle(ResolverStyle.STRICT),
      date("d/M/"), date("d.M."), words("d MMM "), words("d MMMM "));

  private FieldValues() {}

  /**
   * The value in the form that a field holds it in, or empty if the field cannot hold it.
   *
   * @param person finds the id of a person by id or name; empty if there is none, or more than one
   */
  public static Optional<String> in(Field field, String value, Function<String, Optional<String>> person) {
    String text = value.strip();
    return switch (field.kind()) {
      case TEXT -> Optional.of(text);
      case NUMBER -> number(text);
      case MONEY -> money(text);
      case DATE -> DATES.stream().map(form -> date(text, form)).flatMap(Optional::stream).findFirst();
      case CHOICE -> field.choices().stream().filter(choice -> choice.equalsIgnoreCase(text)).findFirst();
      case FLAG -> flag(text);
      case PERSON -> person.apply(text);
    };
  }

  private static Optional<String> number(String text) {
    String plain = text.replaceAll("[,  ']", "");
    return NUMBER.matcher(plain).matches() ? Optional.of(new BigDecimal(plain).toPlainString()) : Optional.empty();
  }

  private static Optional<String> money(String text) {
    var found = MONEY.matcher(text);
    if (!found.matches()) {
      return Optional.empty();
    }
    return number(found.group(1)).map(amount -> found.group(2) == null ? amount : amount + " " + found.group(2));
  }

  private static Optional<String> flag(String text) {
    String word = text.toLowerCase(Locale.ROOT);
    return YES.contains(word) ? Optional.of("yes") : NO.contains(word) ? Optional.of("no") : Optional.empty();
  }

  private static Optional<String> date(String text, DateTimeFormatter form) {
    try {
      return Optional.of(LocalDate.parse(text, form).toString());
    } catch (DateTimeParseException other) {
      return Optional.empty();
    }
  }

  private static DateTimeFormatter date(String dayAndMonth) {
    return DateTimeFormatter.ofPattern(dayAndMonth + "uuuu", Locale.UK).withResolverStyle(ResolverStyle.STRICT);
  }

  private static DateTimeFormatter words(String dayAndMonth) {
    return new DateTimeFormatterBuilder().parseCaseInsensitive().appendPattern(dayAndMonth).appendValue(ChronoField.YEAR, 4)
        .toFormatter(Locale.UK).withResolverStyle(ResolverStyle.STRICT);
  }
}
