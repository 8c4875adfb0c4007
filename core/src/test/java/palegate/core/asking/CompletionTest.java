package palegate.core.asking;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/** What is proposed while a question is typed leads to questions that are understood, about things that are known (docs/questions.md). */
class CompletionTest {
  private static final long SEED = 20_261_129;
  private static final LocalDate TODAY = LocalDate.of(2026, 11, 29);
  private static final Snapshot HARBOUR = Snapshot.of(Harbour.structure());

  @Test
  void forms_rights_and_names_are_proposed_where_they_come() {
    Person mia = HARBOUR.structure().people().get("mia");
    assertThat(Completion.of("wh", HARBOUR)).contains("who can ", "why can’t ", "what changed for ", "what would it take for ").allMatch(one -> one.startsWith("wh"));
    assertThat(Completion.of("can " + mia.name().substring(0, 2).toLowerCase(), HARBOUR)).contains("can " + mia.name() + " ");
    assertThat(Completion.of("can " + mia.name() + " re", HARBOUR)).containsExactly("can " + mia.name() + " read ", "can " + mia.name() + " revise ", "can " + mia.name() + " reach ");
    assertThat(Completion.of("why can't " + mia.name() + " ", HARBOUR)).as("either apostrophe").contains("why can’t " + mia.name() + " read ");
    assertThat(Completion.of("what would it take for " + mia.name() + " ", HARBOUR)).containsExactly("what would it take for " + mia.name() + " to ");
    assertThat(Completion.of("CAN  " + mia.name() + "  READ cas", HARBOUR)).isNotEmpty().allMatch(one -> one.startsWith("can " + mia.name() + " read "));
  }

  @Test
  void a_name_with_an_apostrophe_is_found_as_it_is_written() {
    Group office = new Group("office", "Partners' office", null, List.of());
    Snapshot with = Snapshot.of(HARBOUR.structure().withGroups(Map.of("office", office)));
    assertThat(Completion.of("what can Partners' o", with)).containsExactly("what can Partners' office ");
    assertThat(Completion.of("WHAT CAN partners' office re", with)).contains("what can partners' office read");
  }

  @Test
  void nothing_is_proposed_for_what_is_no_question_or_names_nothing_known() {
    for (String typed : List.of("", "   ", "budget", "can zzzzzzzz", "who can read qqqqqqq", "can nobody at all read ", "x".repeat(5_000), "can " + "read ".repeat(50))) {
      assertThat(Completion.of(typed, HARBOUR)).as(typed).isEmpty();
    }
    assertThat(Completion.of("can mia read ", Snapshot.of(Structure.EMPTY))).isEmpty();
  }

  @Test
  void whoever_takes_proposals_one_after_the_other_arrives_at_a_question_that_names_nothing_unknown() {
    Random random = new Random(SEED);
    int arrived = 0;
    for (int round = 0; round < 400; round++) {
      Snapshot snapshot = round % 2 == 0 ? HARBOUR : Snapshot.of(RandomStructures.fromSeed(SEED + round));
      String typed = List.of("c", "wh", "why", "who", "what").get(random.nextInt(5));
      List<String> steps = new ArrayList<>();
      for (int step = 0; step < 12; step++) {
        List<String> proposals = Completion.of(typed, snapshot);
        assertThat(proposals.size()).isLessThanOrEqualTo(Completion.PROPOSED_AT_MOST);
        if (proposals.isEmpty()) {
          break;
        }
        typed = proposals.get(random.nextInt(proposals.size()));
        steps.add(typed);
        if (!typed.endsWith(" ")) {
          Question question = QuestionReader.read(typed, TODAY).orElseThrow(() -> new AssertionError("not understood (seed " + SEED + "): " + steps));
          assertThat(Answering.of(question, snapshot.at(Harbour.NOW), "").missing()).as("seed %d: %s", SEED, steps).isEmpty();
          arrived++;
          break;
        }
        // Where a name comes next, somebody types its first letters.
        if (Completion.of(typed, snapshot).isEmpty() && !snapshot.structure().people().isEmpty()) {
          typed += snapshot.structure().people().values().iterator().next().name().substring(0, 1);
        }
      }
    }
    assertThat(arrived).as("seed %d", SEED).isGreaterThan(40);
  }
}
