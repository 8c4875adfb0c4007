package palegate.server.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.drafts.Application;
import palegate.core.drafts.Difference;
import palegate.core.people.Group;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.demo.Sallowpoint;
import palegate.server.bundle.Bundles;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;

@ExtendWith(InDemo.class)
class HistoryTest {
  @Test
  void the_state_as_of_any_change_can_be_rebuilt_exactly(TestApplication app) {
    StructureStore store = app.bean(StructureStore.class);
    Structure expected = Sallowpoint.structure(TestApplication.TODAY);
    assertThat(sorted(store.asOf(1))).isEqualTo(sorted(expected));
    long change = 1;
    for (Sallowpoint.PastChange past : Sallowpoint.history(TestApplication.TODAY)) {
      expected = Application.of(Snapshot.of(expected), past.changes(), past.at()).structure();
      assertThat(sorted(store.asOf(++change))).as("change %d", change).isEqualTo(sorted(expected));
    }
  }

  @Test
  void what_a_change_made_of_the_state_before_it_is_the_state_after_it(TestApplication app) {
    StructureStore store = app.bean(StructureStore.class);
    for (long change = 2; change <= store.head(); change++) {
      assertThat(sorted(store.after(store.asOf(change - 1), change))).as("change %d", change).isEqualTo(sorted(store.asOf(change)));
    }
  }

  @Test
  void bringing_in_an_earlier_state_is_one_change_and_earlier_states_stay_as_they_were(TestApplication app) {
    StructureStore store = app.bean(StructureStore.class);
    Bundles bundles = app.bean(Bundles.class);
    long before = store.head();
    Structure first = store.asOf(1);
    Structure newest = store.asOf(before);
    long change = bundles.bringIn(first, "test", "Test", "back to the beginning", Instant.parse("2026-11-24T11:00:00Z"));
    assertThat(change).isEqualTo(before + 1);
    assertThat(store.asOf(change)).isEqualTo(first);
    assertThat(store.asOf(before)).isEqualTo(newest);
    assertThat(bundles.bringIn(first, "test", "Test", "again", Instant.parse("2026-11-24T11:00:01Z"))).as("nothing differs").isZero();
    bundles.bringIn(newest, "test", "Test", "and forth", Instant.parse("2026-11-24T11:00:02Z"));
    assertThat(store.asOf(store.head())).isEqualTo(newest);
    assertThat(Difference.between(Snapshot.of(newest), app.bean(Snapshots.class).current().snapshot(), TestApplication.TODAY).isEmpty()).isTrue();
  }

  @Test
  void what_a_change_altered_is_exactly_what_differs(TestApplication app) {
    StructureStore store = app.bean(StructureStore.class);
    List<StructureStore.Altered> altered = store.alteredBy(2);
    assertThat(altered).extracting(StructureStore.Altered::kind).containsExactlyInAnyOrder("place", "grant", "grant");
    assertThat(altered).filteredOn(thing -> thing.kind().equals("place")).singleElement().satisfies(place -> {
      assertThat(place.before()).isEqualTo(store.asOf(1).places().get("lib-ten"));
      assertThat(place.after()).isEqualTo(store.asOf(2).places().get("lib-ten"));
    });
  }

  @Test
  void numbers_of_changes_follow_each_other_without_gaps(TestApplication app) {
    List<Long> numbers = new ArrayList<>();
    app.bean(ChangeLog.class).page("", false, 0, 1_000).forEach(change -> numbers.add(change.number()));
    assertThat(numbers).first().isEqualTo(app.bean(StructureStore.class).head());
    assertThat(numbers).hasSize(numbers.get(0).intValue());
  }

  /** The order in which members were given is not part of a group. */
  private static Structure sorted(Structure structure) {
    return structure.withGroups(structure.groups().values().stream().collect(Collectors.toMap(Group::id, group -> group.with(
        group.members().stream().sorted(Comparator.comparing(Object::toString)).toList()))));
  }
}
