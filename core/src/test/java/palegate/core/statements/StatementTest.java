package palegate.core.statements;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Locale;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.collections.PersonSet;
import palegate.core.people.PeopleAtPlaces.Order;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;

class StatementTest {
  private final Snapshot snapshot = Harbour.snapshot();

  private Statement below(String place, boolean documents) {
    return new Statement(snapshot, Harbour.NOW, new Statement.Scope.PlaceAndBelow(snapshot.placeNumber(place)), documents);
  }

  @Test
  void a_place_statement_has_a_row_for_everyone_at_the_place_and_at_every_place_below() {
    assertThat(below("cas", true).rows().map(row -> row.person().id() + "@" + row.place().id()))
        .containsExactly("mia@cas", "ola@cas", "mia@c1", "ola@c1", "mia@val1", "ola@val1", "mia@c2", "ola@c2", "mia@let2", "ola@let2");
  }

  @Test
  void each_row_names_the_grants_that_contributed_and_where_they_stand() {
    Statement.Row row = below("val1", true).rows().findFirst().orElseThrow();
    assertThat(row.rights()).hasToString("find read add describe revise");
    assertThat(row.sources()).singleElement().satisfies(source -> {
      assertThat(source.roleName()).isEqualTo("Preparer");
      assertThat(source.place().id()).isEqualTo("cas");
      assertThat(source.here()).isFalse();
    });
  }

  @Test
  void every_row_says_where_its_rights_come_from_be_it_a_grant_or_an_oversight() {
    for (long seed = 1; seed <= 300; seed++) {
      Snapshot any = Snapshot.of(RandomStructures.fromSeed(seed));
      long shown = seed;
      assertThat(new Statement(any, RandomStructures.NOW, new Statement.Scope.PlaceAndBelow(0), true).rows()).allSatisfy(row -> {
        assertThat(row.sources().size() + row.oversights().size()).as("seed %d, %s at %s", shown, row.person().id(), row.place().id()).isPositive();
        assertThat(row.person().external() && !row.oversights().isEmpty()).as("seed %d", shown).isFalse();
      });
    }
  }

  @Test
  void documents_can_be_left_out() {
    assertThat(below("cas", false).rows()).allSatisfy(row -> assertThat(row.place().kind().isContainer()).isTrue());
  }

  @Test
  void a_person_statement_has_the_places_they_reach() {
    Statement mia = new Statement(snapshot, Harbour.NOW, new Statement.Scope.SomePeople(0, PersonSet.of(snapshot.personNumber("mia"))), true);
    assertThat(mia.rows().map(row -> row.place().id())).containsExactly("cas", "c1", "val1", "c2", "let2");
    assertThat(mia.counts()).isEqualTo(new Statement.Counts(5, 1, 0, 5, 2));
  }

  @Test
  void the_totals_count_the_rows_on_random_structures() {
    for (long seed = 1; seed <= 200; seed++) {
      Snapshot any = Snapshot.of(RandomStructures.fromSeed(seed));
      Statement statement = new Statement(any, RandomStructures.NOW, new Statement.Scope.PlaceAndBelow(0), true);
      List<Statement.Row> rows = statement.rows().toList();
      assertThat(statement.counts().rows()).as("seed %d", seed).isEqualTo(rows.size());
      assertThat(statement.counts().people()).as("seed %d", seed).isEqualTo((int) rows.stream().map(Statement.Row::person).distinct().count());
    }
  }

  @Test
  void finding_a_text_leaves_the_rows_whose_person_or_path_contains_it_and_counts_them() {
    for (long seed = 1; seed <= 200; seed++) {
      Snapshot any = Snapshot.of(RandomStructures.fromSeed(seed));
      Statement statement = new Statement(any, RandomStructures.NOW, new Statement.Scope.PlaceAndBelow(0), true);
      for (String text : List.of("1", " P2 ", "nothing of that name")) {
        String wanted = text.strip().toLowerCase(Locale.ROOT);
        List<Statement.Row> expected = statement.rows().filter(row -> row.person().name().toLowerCase(Locale.ROOT).contains(wanted)
            || row.path().toLowerCase(Locale.ROOT).contains(wanted)).toList();
        Statement found = statement.finding(text);
        assertThat(found.rows()).as("seed %d, [%s]", seed, text).containsExactlyElementsOf(expected);
        assertThat(found.counts().rows()).as("seed %d, [%s]", seed, text).isEqualTo(expected.size());
        assertThat(found.rows(Order.PERSON, false, 0)).as("seed %d, [%s]", seed, text).containsExactlyInAnyOrderElementsOf(expected);
      }
    }
  }

  @Test
  void from_any_offset_on_come_the_rows_that_come_after_it_in_each_order_and_turned_round() {
    for (long seed = 1; seed <= 60; seed++) {
      Snapshot any = Snapshot.of(RandomStructures.fromSeed(seed));
      Statement statement = new Statement(any, RandomStructures.NOW, new Statement.Scope.PlaceAndBelow(0), true).finding(seed % 2 == 0 ? "" : "1");
      for (Order order : Order.values()) {
        List<Statement.Row> all = new ArrayList<>(statement.rows(order, false, 0).toList());
        for (boolean turned : new boolean[] {false, true}) {
          for (int offset = 0; offset <= all.size() + 1; offset++) {
            assertThat(statement.rows(order, turned, offset)).as("seed %d by %s from %d, turned %s", seed, order, offset, turned)
                .containsExactlyElementsOf(all.subList(Math.min(offset, all.size()), all.size()));
          }
          Collections.reverse(all);
        }
      }
    }
  }

  @Test
  void by_person_the_same_rows_follow_each_other_person_after_person() {
    assertThat(below("cas", true).rows(Order.PERSON, false, 0).map(row -> row.person().id() + "@" + row.place().id()))
        .containsExactly("mia@cas", "mia@c1", "mia@val1", "mia@c2", "mia@let2", "ola@cas", "ola@c1", "ola@val1", "ola@c2", "ola@let2");
  }

  @Test
  void a_person_statement_can_be_searched_too() {
    Statement mia = new Statement(snapshot, Harbour.NOW, new Statement.Scope.SomePeople(0, PersonSet.of(snapshot.personNumber("mia"))), true);
    String path = snapshot.pathText(snapshot.placeNumber("val1"));
    assertThat(mia.finding(path).rows(Order.PERSON, false, 0).map(row -> row.place().id())).containsExactly("val1");
    assertThat(mia.finding("mia").counts()).isEqualTo(mia.counts());
  }
}
