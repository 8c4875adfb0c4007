package palegate.core.places;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import java.time.Duration;
import java.util.Map;
import org.junit.jupiter.api.Test;

class OutlineTest {
  private static String drawn(String text) {
    StringBuilder drawn = new StringBuilder();
    for (Outline.Item item : Outline.read(text).items()) {
      drawn.append(item.parent()).append(' ').append(item.name()).append(item.document() ? " (document" + (item.type() == null ? "" : " " + item.type()) + ")" : "").append('\n');
    }
    return drawn.toString();
  }

  @Test
  void what_stands_deeper_is_below_however_deep_the_steps_are() {
    assertThat(drawn("A\n   B\n      C\n   D\nE")).isEqualTo("-1 A\n0 B\n1 C\n0 D\n-1 E\n");
    assertThat(drawn("A\n\tB\n\t\tC\n\tD")).isEqualTo("-1 A\n0 B\n1 C\n0 D\n");
  }

  @Test
  void bullets_and_empty_lines_are_passed_over() {
    assertThat(drawn("- A\n\n  * B\n  • C")).isEqualTo("-1 A\n0 B\n0 C\n");
  }

  @Test
  void a_type_or_the_ending_of_a_file_makes_a_document() {
    assertThat(drawn("A\n  b.pdf\n  c = Fee note\n  d.e")).isEqualTo("-1 A\n0 b.pdf (document)\n0 c (document Fee note)\n0 d.e\n");
  }

  @Test
  void rows_of_paths_make_each_place_once() {
    assertThat(drawn("path,type\nA / B / c.pdf,Letter\nA / B / d.pdf,\nA / E,")).isEqualTo("-1 A\n0 B\n1 c.pdf (document Letter)\n1 d.pdf (document)\n0 E\n");
  }

  @Test
  void rows_are_csv_so_a_name_in_quotation_marks_may_hold_a_comma() {
    assertThat(drawn("path,type\n\"Smith, John\",\n\"Smith, John / said \"\"no\"\".pdf\",Letter")).isEqualTo("-1 Smith, John\n0 said \"no\".pdf (document Letter)\n");
    assertThat(drawn("path\r\n\"Smith, John\"\r\n")).isEqualTo("-1 Smith, John\n");
    assertThat(drawn("\uFEFF\"path\",\"type\"\nA = B,\n")).as("in rows a sign in a name is just that").isEqualTo("-1 A = B\n");
  }

  @Test
  void a_row_with_too_many_values_or_an_open_quotation_mark_is_named_and_never_guessed() {
    assertThat(Outline.read("path\nSmith, John").faults()).singleElement().satisfies(fault -> assertThat(fault.line()).isEqualTo(2));
    assertThat(Outline.read("path\nSmith, John").items()).isEmpty();
    assertThat(Outline.read("path,type\n\"Smith, John,Letter\n").faults()).isNotEmpty();
  }

  @Test
  void twenty_thousand_rows_of_paths_are_read_at_once() {
    StringBuilder rows = new StringBuilder("path,type\n");
    for (int i = 0; i < 20_000; i++) {
      rows.append("Case ").append(i).append("/Letters/in ").append(i).append(".pdf,Letter\n");
    }
    assertTimeoutPreemptively(Duration.ofSeconds(10), () -> assertThat(Outline.read(rows.toString()).items()).hasSize(60_000));
  }

  @Test
  void nothing_stands_below_a_document_and_the_line_is_named() {
    assertThat(Outline.read("a.pdf\n  b").faults()).singleElement().satisfies(fault -> {
      assertThat(fault.line()).isEqualTo(2);
      assertThat(fault.what()).contains("a.pdf");
    });
  }
  @Test
  void what_the_first_line_names_beyond_type_are_fields_of_the_documents() {
    Outline.Read read = Outline.read("path,type,Amount,Sent on\nA/b.pdf,Invoice,\"1,000 EUR\",\nA/c.pdf,Invoice,,2 May 2026");
    assertThat(read.faults()).isEmpty();
    assertThat(read.items().get(0).fields()).as("of the folder on the way").isEmpty();
    assertThat(read.items().get(1).fields()).isEqualTo(Map.of("Amount", "1,000 EUR"));
    assertThat(read.items().get(2).fields()).isEqualTo(Map.of("Sent on", "2 May 2026"));
    assertThat(Outline.read("path,type,Amount\nA/b.pdf,Invoice,1,2").faults()).hasSize(1);
  }
}
