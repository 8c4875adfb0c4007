package palegate.server.lists;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.server.shell.Page;

class SortOrdersTest {
  private record Line(String name, int size) {}

  private static final List<Line> LINES = List.of(new Line("Ola", 3), new Line("Bryn", 9), new Line("Mia", 3));
  private static final SortOrders<Line> LISTING = SortOrders.by("name", Comparator.comparing(Line::name)).or("size", Comparator.comparing(Line::size));

  private static List<String> names(String sort) {
    return LISTING.page(new PageRequest(null, sort, null, null), LINES.stream(), Line::name).items();
  }

  @Test
  void the_first_order_holds_unless_another_is_asked_for() {
    assertThat(names(null)).containsExactly("Bryn", "Mia", "Ola");
    assertThat(names("")).containsExactly("Bryn", "Mia", "Ola");
    assertThat(names("size")).containsExactly("Ola", "Mia", "Bryn");
  }

  @Test
  void a_minus_turns_an_order_round_and_leaves_equal_lines_as_they_were_given() {
    assertThat(names("-name")).containsExactly("Ola", "Mia", "Bryn");
    assertThat(names("-size")).containsExactly("Bryn", "Ola", "Mia");
  }

  @Test
  void an_order_that_a_list_does_not_have_is_refused_with_those_it_has() {
    assertThatThrownBy(() -> names("colour")).hasMessageContaining("[colour]").hasMessageContaining("name, size");
    assertThatThrownBy(() -> names("-colour")).hasMessageContaining("[-colour]");
  }

  @Test
  void only_the_lines_of_the_part_are_made_into_views() {
    List<Integer> seen = new ArrayList<>();
    Page<Integer> page = SortOrders.<Integer>by("number", Comparator.naturalOrder()).page(new PageRequest(null, null, 10L, 5), IntStream.range(0, 1_000).boxed(), number -> {
      seen.add(number);
      return number;
    });
    assertThat(page.total()).isEqualTo(1_000);
    assertThat(page.items()).containsExactly(10, 11, 12, 13, 14);
    assertThat(seen).isEqualTo(page.items());
  }

  @Test
  void a_text_is_found_in_capitals_or_not_in_any_of_a_lines_texts() {
    PageRequest part = new PageRequest("  sUr ", null, null, null);
    assertThat(part.takes("Surveyors")).isTrue();
    assertThat(part.takes("Accounts", null, "o.SURREY@sallowpoint.example")).isTrue();
    assertThat(part.takes("Accounts", null)).isFalse();
    assertThat(new PageRequest(null, null, null, null).takes((String) null)).as("no text takes all").isTrue();
  }

  @Test
  void what_is_asked_for_stays_within_limits() {
    assertThat(new PageRequest(null, null, -4L, 1_000_000)).extracting(PageRequest::offset, PageRequest::limit).containsExactly(0L, Page.LIMIT);
    assertThat(new PageRequest(null, null, null, 0).limit()).isEqualTo(1);
  }
}
