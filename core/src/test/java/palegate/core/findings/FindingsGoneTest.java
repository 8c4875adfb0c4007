package palegate.core.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.PeopleChange;
import palegate.core.journal.Between;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;

/** Findings that are there no more: by which change, or date, each came and went. */
class FindingsGoneTest {
  private final List<Between.State> states = new ArrayList<>();

  private void state(Snapshot after) {
    int number = states.size() + 1;
    states.add(new Between.State(number, Harbour.NOW.plusSeconds(number * 60L), after));
  }

  private static Instant minute(int number) {
    return Harbour.NOW.plusSeconds(number * 60L);
  }

  private static Iterator<Between.State> newestFirst(List<Between.State> states) {
    List<Between.State> turned = new ArrayList<>(states);
    Collections.reverse(turned);
    return turned.iterator();
  }

  private static Snapshot after(Snapshot before, Change... changes) {
    DraftApplication.Result result = DraftApplication.of(before, List.of(changes), Harbour.NOW);
    assertThat(result.refusals()).isEmpty();
    return before.next(result.difference());
  }

  private FindingsGone gone(Duration later) {
    return FindingsGone.before(Harbour.NOW.plus(later), newestFirst(states), null, Limits.USUAL, Rules.ALL, () -> false);
  }

  private static FindingsGone.Gone of(FindingsGone all, String key) {
    return all.gone().stream().filter(one -> one.finding().key().equals(key)).findFirst().orElseThrow();
  }

  @Test
  void one_came_with_a_change_and_went_with_another() {
    Snapshot first = Harbour.snapshot();
    Snapshot with = after(first, new PeopleChange.SetGroup("nobody", "Nobody", null));
    state(first);
    state(with);
    state(after(with, new PeopleChange.RemoveGroup("nobody")));
    FindingsGone.Gone empty = of(gone(Duration.ofHours(1)), "group-empty group:nobody");
    assertThat(empty.came()).isEqualTo(new FindingSince(2, minute(2), false, true));
    assertThat(empty.change()).isEqualTo(3);
    assertThat(empty.at()).isEqualTo(minute(3));
    assertThat(empty.byDate()).isFalse();
  }

  @Test
  void one_that_came_back_is_not_gone_and_one_that_is_there_neither() {
    Snapshot without = after(Harbour.snapshot(), new PeopleChange.RemoveGroup("divers"));
    state(Harbour.snapshot());
    state(without);
    state(Harbour.snapshot());
    assertThat(gone(Duration.ofHours(1)).gone()).noneMatch(one -> one.finding().key().equals("group-empty group:divers"));
  }

  @Test
  void one_that_a_date_took_went_by_no_change_and_how_old_it_was_is_not_known() {
    Grant soon = new Grant("soon", "c2", new Subject.OfPerson("mia"), "keeper", Set.of(), new Period(null, Harbour.NOW.plus(Duration.ofDays(2))), null);
    state(after(Harbour.snapshot(), new AccessChange.AddGrant(soon)));
    FindingsGone.Gone ends = of(gone(Duration.ofDays(3)), gone(Duration.ofDays(3)).gone().stream().map(one -> one.finding().key()).filter(key -> key.startsWith("ends-soon")).findFirst().orElseThrow());
    assertThat(ends.byDate()).isTrue();
    assertThat(ends.at()).isEqualTo(minute(1));
    assertThat(ends.came().known()).isFalse();
  }

  @Test
  void called_off_it_looks_at_what_is_newest_and_says_from_where() {
    for (int i = 0; i < 10; i++) {
      Snapshot with = after(Harbour.snapshot(), new PeopleChange.SetGroup("g" + i, "G" + i, null));
      state(with);
    }
    int[] asked = new int[1];
    FindingsGone all = FindingsGone.before(Harbour.NOW.plusSeconds(3600), newestFirst(states), null, Limits.USUAL, Rules.ALL, () -> ++asked[0] > 6);
    assertThat(all.lookedFrom()).isEqualTo(minute(4));
    assertThat(all.gone()).extracting(one -> one.finding().key()).containsExactly("group-empty group:g8", "group-empty group:g7", "group-empty group:g6", "group-empty group:g5", "group-empty group:g4", "group-empty group:g3");
  }

  private static Set<String> keys(Snapshot snapshot, Instant instant) {
    return Findings.of(snapshot, instant).stream().map(Finding::key).collect(Collectors.toSet());
  }

  /** Against looking at every state afresh. */
  @Test
  void in_random_histories_exactly_what_was_there_once_and_is_not_now_is_gone() {
    int went = 0;
    for (long seed = 1; seed <= 40; seed++) {
      Random random = new Random(seed);
      Snapshot at = Snapshot.of(RandomStructures.fromSeed(seed));
      List<Between.State> history = new ArrayList<>();
      Instant then = RandomStructures.NOW;
      List<Change> changes = RandomDrafts.fromSeed(at.structure(), seed);
      for (int number = 1; number <= 8; number++) {
        history.add(new Between.State(number, then, at));
        then = then.plus(Duration.ofHours(random.nextInt(60) + 1L));
        if (number <= changes.size()) {
          DraftApplication.Result result = DraftApplication.of(at, List.of(changes.get(number - 1)), then);
          at = result.refusals().isEmpty() ? at.next(result.difference()) : at;
        }
      }
      // Each state is looked at when it begins, and when it ends.
      List<Set<String>> looks = new ArrayList<>();
      for (int i = 0; i < history.size(); i++) {
        Instant end = i + 1 < history.size() ? history.get(i + 1).since() : then;
        looks.add(keys(history.get(i).snapshot(), history.get(i).since()));
        looks.add(keys(history.get(i).snapshot(), end));
      }
      Map<String, Integer> lastSeen = new HashMap<>();
      for (int look = 0; look < looks.size(); look++) {
        for (String key : looks.get(look)) {
          lastSeen.put(key, look);
        }
      }
      FindingsGone found = FindingsGone.before(then, newestFirst(history), seed % 2 == 0 ? null : KeptFindings.of(history.get(history.size() - 1).snapshot(), then, Limits.USUAL, Rules.ALL), Limits.USUAL, Rules.ALL, () -> false);
      Map<String, Long> by = found.gone().stream().collect(Collectors.toMap(one -> one.finding().key(), FindingsGone.Gone::change));
      Map<String, Long> expected = new HashMap<>();
      lastSeen.forEach((key, look) -> {
        if (look < looks.size() - 1) {
          // The look after one at an end is that of the next state's beginning: its change took it. Else time did.
          expected.put(key, look % 2 == 1 ? (long) look / 2 + 2 : 0L);
        }
      });
      assertThat(by).as("seed %d", seed).isEqualTo(expected);
      went += found.gone().size();
    }
    assertThat(went).isGreaterThan(100);
  }
}
