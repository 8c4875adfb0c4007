package palegate.core.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;

class WellFormedTest {
  @Test
  void an_id_is_what_the_format_says() {
    for (String good : List.of("a", "A-1_b.c:d", "x".repeat(64))) {
      assertThat(WellFormed.id(good)).as(good).isEmpty();
    }
    for (String bad : List.of("", " ", "a b", "../etc", "a/b", "a\u0000b", "ä", "x".repeat(65), "a\n")) {
      assertThat(WellFormed.id(bad)).as(bad).isPresent();
    }
  }

  @Test
  void what_nobody_sees_or_nothing_can_keep_is_refused_and_written_out() {
    for (String sign : List.of("\u0000", "\u0007", "\u202E", "\u2066", "\u200B", "\u200F", "\uFEFF", "\uD83D", "\uDE00", "\uFFFE", "\u2028", "\u0085")) {
      assertThat(WellFormed.name("Anna" + sign + "Berg")).as("%04X", (int) sign.charAt(0)).hasValueSatisfying(wrong -> {
        assertThat(wrong.what()).contains("\\u" + String.format("%04X", (int) sign.charAt(0)));
        assertThat(wrong.remedy()).contains(String.format("U+%04X", (int) sign.charAt(0)));
      });
    }
    for (String good : List.of("Anna Berg", "Ångström", "李雷", "نور", "می‌خواهم", "👩‍🚒 brigade", "O’Brien – 3")) {
      assertThat(WellFormed.name(good)).as(good).isEmpty();
    }
    assertThat(WellFormed.text("two\nlines\tand more")).isEmpty();
    assertThat(WellFormed.name("two\nlines")).isPresent();
  }

  @Test
  void a_login_that_would_look_like_another_is_refused() {
    assertThat(WellFormed.login("wenna.carrow")).isEmpty();
    assertThat(WellFormed.login("венна")).as("one script").isEmpty();
    for (String bad : List.of("wenn\u0430", " wenna", "wenna ", "", "wen\u200Dna", "x".repeat(201))) {
      assertThat(WellFormed.login(bad)).as(bad).isPresent();
    }
  }

  @Test
  void labels_have_no_blanks_around_them_and_instants_are_of_years_that_are_kept() {
    assertThat(WellFormed.key("case")).isEmpty();
    assertThat(WellFormed.key(" case")).isPresent();
    assertThat(WellFormed.key(" ")).isPresent();
    assertThat(WellFormed.value("C-118 ")).isPresent();
    assertThat(WellFormed.value("x".repeat(1_001))).isPresent();
    assertThat(WellFormed.instant(Instant.parse("2026-01-01T00:00:00Z"))).isEmpty();
    assertThat(WellFormed.instant(Instant.parse("+12026-01-01T00:00:00Z"))).isPresent();
    assertThat(WellFormed.instant(Instant.parse("0999-01-01T00:00:00Z"))).isPresent();
  }
}
