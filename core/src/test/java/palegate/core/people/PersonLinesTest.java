package palegate.core.people;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class PersonLinesTest {
  private final Map<String, Person> people = new LinkedHashMap<>();

  PersonLinesTest() {
    add("p1", "Ada Lorne", "ada", "ada@lorne.example");
    add("p2", "Bram Teal", "bram", null);
    add("p3", "Bram Teal", "bteal", null);
    add("p4", "ada", null, null);
  }

  private void add(String id, String name, String login, String email) {
    people.put(id, new Person(id, name, login, email, false, true, null));
  }

  private List<PersonLines.Line> lines(String text) {
    return PersonLines.find(people, text);
  }

  @Test
  void a_login_an_address_an_id_or_a_name_finds_somebody_whatever_its_case() {
    for (String text : List.of("ADA", "Ada@Lorne.example", "p1", "ada lorne")) {
      assertThat(lines(text)).as(text).singleElement().isInstanceOfSatisfying(PersonLines.Line.Match.class, match -> assertThat(match.person().id()).isEqualTo("p1"));
    }
  }

  @Test
  void a_login_stands_before_a_name_that_is_the_same() {
    assertThat(lines("ada")).singleElement().isInstanceOfSatisfying(PersonLines.Line.Match.class, match -> assertThat(match.person().id()).isEqualTo("p1"));
  }

  @Test
  void several_of_one_name_are_all_told_and_none_is_taken() {
    assertThat(lines("Bram Teal")).singleElement().isInstanceOfSatisfying(PersonLines.Line.Several.class, several -> assertThat(several.people()).hasSize(2));
  }

  @Test
  void the_first_cell_of_a_row_that_finds_somebody_counts() {
    assertThat(lines("Office;\"bteal\";x")).singleElement().isInstanceOfSatisfying(PersonLines.Line.Match.class, match -> assertThat(match.person().id()).isEqualTo("p3"));
  }

  @Test
  void nobody_is_found_twice_and_lines_keep_their_numbers() {
    assertThat(lines("ada\n\n  \nada@lorne.example\nnobody")).extracting(line -> line.getClass().getSimpleName() + line.number())
        .containsExactly("Match1", "Again4", "Miss5");
  }
}
