package palegate.core.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Iterator;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.PeopleChange;
import palegate.core.journal.Between;
import palegate.core.snapshot.Snapshot;

/** Since when a finding has been there: the last time it came, whatever came and went before. */
class FindingSinceTest {
  private static final Rule EMPTY = Rules.of("group-empty").orElseThrow();
  private static final String KEY = "group-empty group:divers";

  private final List<Between.State> states = new ArrayList<>();

  private void change(Snapshot after) {
    int number = states.size() + 1;
    states.add(new Between.State(number, Harbour.NOW.plusSeconds(number * 60L), after));
  }

  private static Iterator<Between.State> newestFirst(List<Between.State> states) {
    List<Between.State> turned = new ArrayList<>(states);
    Collections.reverse(turned);
    return turned.iterator();
  }

  private static Snapshot after(Snapshot before, Change change) {
    DraftApplication.Result result = DraftApplication.of(before, List.of(change), Harbour.NOW);
    assertThat(result.refusals()).isEmpty();
    return before.next(result.difference());
  }

  private FindingSince since() {
    return FindingSince.of(newestFirst(states), EMPTY, Limits.USUAL, KEY, () -> false);
  }

  @Test
  void it_came_with_the_last_change_before_which_it_was_not_there() {
    Snapshot with = Harbour.snapshot();
    Snapshot without = after(with, new PeopleChange.RemoveGroup("divers"));
    change(with);
    change(without);
    change(with);
    change(after(with, new AccessChange.RemoveGrant("c2", "e-c2")));
    assertThat(since()).isEqualTo(new FindingSince(3, Harbour.NOW.plusSeconds(180), false, true));
  }

  @Test
  void one_that_was_there_in_the_first_state_looked_at_is_older_than_is_known() {
    change(Harbour.snapshot());
    change(Harbour.snapshot());
    assertThat(since().known()).isFalse();
  }

  @Test
  void one_that_was_not_looked_for_to_the_end_is_there_at_least_as_long_as_was_looked() {
    for (int i = 0; i < 5; i++) {
      change(Harbour.snapshot());
    }
    int[] asked = new int[1];
    FindingSince since = FindingSince.of(newestFirst(states), EMPTY, Limits.USUAL, KEY, () -> ++asked[0] > 2);
    assertThat(since).isEqualTo(new FindingSince(0, Harbour.NOW.plusSeconds(240), false, false));
    assertThat(FindingSince.of(newestFirst(states), EMPTY, Limits.USUAL, KEY, () -> true).known()).isFalse();
  }

  @Test
  void one_that_a_date_brought_came_by_no_change() {
    change(Harbour.snapshot());
    states.add(new Between.State(2, Harbour.JULY.minusSeconds(86_400L * 20), Harbour.snapshot()));
    FindingSince since = FindingSince.of(newestFirst(states), Rules.of("ends-soon").orElseThrow(), Limits.USUAL, "ends-soon group:adjusters trainees", () -> false);
    assertThat(since.byDate()).isTrue();
    assertThat(since.change()).isZero();
  }

  @Test
  void it_is_what_looking_forward_says_in_random_histories() {
    Snapshot with = Harbour.snapshot();
    Snapshot without = after(with, new PeopleChange.RemoveGroup("divers"));
    for (long seed = 1; seed <= 200; seed++) {
      Random random = new Random(seed);
      states.clear();
      long came = 0;
      boolean there = false;
      for (int i = 1; i <= 12; i++) {
        boolean now = i == 12 || random.nextBoolean();
        change(now ? with : without);
        came = now && !there ? i : came;
        there = now;
      }
      assertThat(since().known() ? since().change() : 1).as("seed %d", seed).isEqualTo(came);
    }
  }
}
