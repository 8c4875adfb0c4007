package palegate.core.journal;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.util.List;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.changes.AccessChange;
import palegate.core.changes.DraftApplication;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;

class BetweenTest {
  private final Snapshot first = Harbour.snapshot();
  private final Snapshot second = first.next(DraftApplication.of(first,
      List.of(new AccessChange.AddGrant(Harbour.grant("n", "c2", new Subject.OfPerson("per"), "reader"))), Harbour.NOW).structure());
  private final Between.State one = new Between.State(1, Harbour.NOW, first);
  private final Between.State two = new Between.State(2, Harbour.NOW.plus(Duration.ofDays(1)), second);

  @Test
  void what_a_change_gave_is_put_down_to_that_change() {
    Between between = Between.of(List.of(one, two), Harbour.NOW, Harbour.NOW.plus(Duration.ofDays(2)));
    assertThat(between.pairs()).extracting(caused -> caused.pair().person().id() + " " + caused.pair().place().id())
        .containsExactly("per c2", "per let2");
    assertThat(between.pairs()).allSatisfy(caused -> assertThat(caused.causes()).containsExactly(new Between.Cause.OfChange(2)));
  }

  @Test
  void a_membership_that_ended_is_put_down_to_time() {
    Between between = Between.of(List.of(one, two), Harbour.NOW, Harbour.JULY);
    assertThat(between.causes("mia", "c1")).containsExactly(new Between.Cause.OfTime(two.since(), Harbour.JULY));
  }

  @Test
  void what_came_and_went_is_named_though_nothing_differs_in_the_end() {
    Between.State three = new Between.State(3, Harbour.NOW.plus(Duration.ofDays(2)), first);
    Between between = Between.of(List.of(one, two, three), Harbour.NOW, Harbour.NOW.plus(Duration.ofDays(3)));
    assertThat(between.difference().isEmpty()).isTrue();
    assertThat(between.causes("per", "c2")).containsExactly(new Between.Cause.OfChange(2), new Between.Cause.OfChange(3));
  }

  @Test
  void an_end_before_the_beginning_is_refused() {
    assertThatThrownBy(() -> Between.of(List.of(one), Harbour.JULY, Harbour.NOW)).hasMessageContaining(Harbour.JULY.toString());
  }
}
