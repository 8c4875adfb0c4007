package palegate.core.types;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import palegate.core.types.DocumentType.Field;
import palegate.core.types.DocumentType.Kind;

class FieldValuesTest {
  private static Optional<String> in(Kind kind, String value) {
    return FieldValues.in(new Field("k", "K", kind, List.of("calm", "rough"), false), value, text -> text.equals("Ada") ? Optional.of("p1") : Optional.empty());
  }

  @ParameterizedTest
  @CsvSource(delimiter = '|', value = {
      "TEXT | anything at all | anything at all", "NUMBER | 1,234.50 | 1234.50", "NUMBER | -7 | -7", "MONEY | 1,200.5 EUR | 1200.5 EUR", "MONEY | 80 | 80",
      "DATE | 2026-11-03 | 2026-11-03", "DATE | 3/11/2026 | 2026-11-03", "DATE | 3.11.2026 | 2026-11-03", "DATE | 3 Nov 2026 | 2026-11-03",
      "DATE | 3 november 2026 | 2026-11-03", "CHOICE | CALM | calm", "FLAG | Yes | yes", "FLAG | 0 | no", "PERSON | Ada | p1"})
  void what_a_field_can_hold_gets_one_form(Kind kind, String value, String form) {
    assertThat(in(kind, value)).contains(form);
  }

  @ParameterizedTest
  @CsvSource(delimiter = '|', value = {"NUMBER | twelve", "NUMBER | 1e400", "MONEY | EUR", "DATE | 31/2/2026", "DATE | last week", "CHOICE | stormy", "FLAG | perhaps", "PERSON | Bram"})
  void what_it_cannot_hold_is_not_guessed_at(Kind kind, String value) {
    assertThat(in(kind, value)).isEmpty();
  }

  @Test
  void a_value_in_its_form_stays_as_it_is() {
    assertThat(in(Kind.DATE, in(Kind.DATE, "3/11/2026").orElseThrow())).contains("2026-11-03");
    assertThat(in(Kind.MONEY, in(Kind.MONEY, "1,200.5 EUR").orElseThrow())).contains("1200.5 EUR");
  }
}
