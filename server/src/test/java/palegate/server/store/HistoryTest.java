package palegate.server.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.changes.DraftApplication;
import palegate.core.journal.Between;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Alteration;
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
      expected = DraftApplication.of(Snapshot.of(expected), past.changes(), past.at()).structure();
      assertThat(sorted(store.asOf(++change))).as("change %d", change).isEqualTo(sorted(expected));
    }
  }

  @Test
  void what_a_change_made_of_the_state_before_it_is_the_state_after_it(TestApplication app) {
    StructureStore store = app.bean(StructureStore.class);
    for (long change = 2; change <= store.head(); change++) {
      assertThat(sorted(Alteration.applied(store.asOf(change - 1), store.alteredBy(change)))).as("change %d", change).isEqualTo(sorted(store.asOf(change)));
    }
  }

  private static void assertEveryStateIsFoundFromTheNewest(StructureStore store) {
    long head = store.head();
    Structure newest = store.asOf(head);
    for (long change = 1; change <= head; change++) {
      assertThat(sorted(store.earlier(newest, head, change))).as("change %d of %d", change, head).isEqualTo(sorted(store.asOf(change)));
    }
  }

  @Test
  void every_earlier_state_is_found_from_the_newest(TestApplication app) {
    StructureStore store = app.bean(StructureStore.class);
    assertEveryStateIsFoundFromTheNewest(store);
    Structure newest = store.asOf(store.head());
    Bundles bundles = app.bean(Bundles.class);
    bundles.bringIn(Sallowpoint.structure(TestApplication.TODAY), "test", "Test", "back to the beginning", Instant.parse("2026-11-24T11:00:00Z"));
    assertEveryStateIsFoundFromTheNewest(store);
    bundles.bringIn(newest, "test", "Test", "and forth", Instant.parse("2026-11-24T11:00:01Z"));
    assertEveryStateIsFoundFromTheNewest(store);
  }

  @Test
  void a_group_that_came_and_went_with_those_in_it_is_there_in_between(TestApplication app) {
    StructureStore store = app.bean(StructureStore.class);
    Snapshots snapshots = app.bean(Snapshots.class);
    Bundles bundles = app.bean(Bundles.class);
    Structure before = store.asOf(store.head());
    Membership mia = new Membership(new Membership.PersonMember("p-mia"), Period.ALWAYS);
    assertThat(before.people()).containsKey("p-mia");
    bundles.bringIn(before.withGroups(Map.of("g-regatta", new Group("g-regatta", "Regatta", null, List.of(mia)))), "test", "Test", "for the summer",
        Instant.parse("2026-11-24T11:00:00Z"));
    long between = store.head();
    assertThat(snapshots.current().snapshot().structure().groups()).containsKey("g-regatta");
    bundles.bringIn(before, "test", "Test", "summer is over", Instant.parse("2026-11-24T11:00:01Z"));
    assertThat(snapshots.structureAsOf(between).groups().get("g-regatta").members()).containsExactly(mia);
    assertThat(snapshots.structureAsOf(between - 1).groups()).doesNotContainKey("g-regatta");
    assertThat(sorted(Alteration.applied(snapshots.structureAsOf(between), store.alteredBy(between + 1)))).isEqualTo(sorted(before));
    assertEveryStateIsFoundFromTheNewest(store);
  }

  @Test
  void the_states_from_the_newest_back_are_those_of_the_journal_to_the_first_that_is_asked_for(TestApplication app) {
    StructureStore store = app.bean(StructureStore.class);
    Bundles bundles = app.bean(Bundles.class);
    Structure before = store.asOf(store.head());
    Membership mia = new Membership(new Membership.PersonMember("p-mia"), Period.ALWAYS);
    bundles.bringIn(before.withGroups(Map.of("g-gig", new Group("g-gig", "Gig", null, List.of(mia)))), "test", "Test", "rows", Instant.parse("2026-11-24T11:00:00Z"));
    bundles.bringIn(before, "test", "Test", "rows no more", Instant.parse("2026-11-24T11:00:01Z"));
    Instant now = Instant.parse("2026-11-24T12:00:00Z");
    long number = store.head();
    Snapshot head = app.bean(Snapshots.class).current().snapshot();
    for (Iterator<Between.State> states = app.bean(History.class).newestFirst(Instant.EPOCH, now); states.hasNext(); number--) {
      Between.State state = states.next();
      assertThat(state.change()).isEqualTo(number);
      assertThat(state.since()).isEqualTo(app.bean(History.class).madeAt(number));
      assertThat(sorted(state.snapshot().structure())).as("change %d", number).isEqualTo(sorted(store.asOf(number)));
      assertThat(RightsDifference.between(Snapshot.of(store.asOf(number)), state.snapshot(), state.since()).isEmpty()).as("rights after change %d", number).isTrue();
    }
    assertThat(number).isZero();
    assertThat(app.bean(Snapshots.class).current().snapshot()).isSameAs(head);
    List<Between.State> last = new ArrayList<>();
    Instant from = Instant.parse("2026-11-24T11:00:00.500Z");
    app.bean(History.class).newestFirst(from, now).forEachRemaining(last::add);
    assertThat(last).extracting(Between.State::change).containsExactly(store.head(), store.head() - 1);
    assertThat(last.get(1).since()).as("it held already when it is looked from").isEqualTo(from);
  }

  @Test
  void whoever_had_what_then_is_answered_like_from_a_state_read_whole(TestApplication app) {
    StructureStore store = app.bean(StructureStore.class);
    Snapshots snapshots = app.bean(Snapshots.class);
    for (long change = 1; change <= store.head(); change++) {
      Snapshot then = snapshots.asOf(change).snapshot();
      assertThat(RightsDifference.between(Snapshot.of(store.asOf(change)), then, TestApplication.TODAY).isEmpty()).as("change %d", change).isTrue();
      assertThat(then.at(TestApplication.TODAY).snapshot().placeCount()).isEqualTo(store.asOf(change).places().size());
    }
  }

  @Test
  void a_state_that_is_no_longer_the_newest_is_not_built_upon(TestApplication app) {
    StructureStore store = app.bean(StructureStore.class);
    long old = store.head();
    Structure newest = store.asOf(old);
    app.bean(Bundles.class).bringIn(store.asOf(1), "test", "Test", "meanwhile", Instant.parse("2026-11-24T11:00:00Z"));
    assertThat(sorted(store.earlier(newest, old, 2))).isEqualTo(sorted(store.asOf(2)));
    app.bean(Bundles.class).bringIn(newest, "test", "Test", "as it was", Instant.parse("2026-11-24T11:00:01Z"));
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
    assertThat(RightsDifference.between(Snapshot.of(newest), app.bean(Snapshots.class).current().snapshot(), TestApplication.TODAY).isEmpty()).isTrue();
  }

  @Test
  void what_a_change_altered_is_exactly_what_differs(TestApplication app) {
    StructureStore store = app.bean(StructureStore.class);
    List<Alteration> altered = store.alteredBy(2);
    assertThat(altered).extracting(Alteration::kind).containsExactlyInAnyOrder("place", "grant", "grant");
    assertThat(altered).filteredOn(thing -> thing.kind().equals("place")).singleElement().satisfies(place -> {
      assertThat(place.before()).isEqualTo(store.asOf(1).places().get("lib-ten"));
      assertThat(place.after()).isEqualTo(store.asOf(2).places().get("lib-ten"));
    });
  }

  @Test
  void numbers_of_changes_follow_each_other_without_gaps(TestApplication app) {
    List<Long> numbers = new ArrayList<>();
    app.bean(ChangeLog.class).page(new ChangeLog.Wanted("", List.of(), null), true, 0, 1_000).forEach(change -> numbers.add(change.number()));
    assertThat(numbers).first().isEqualTo(app.bean(StructureStore.class).head());
    assertThat(numbers).hasSize(numbers.get(0).intValue());
  }

  /** The order in which members were given is not part of a group. */
  private static Structure sorted(Structure structure) {
    return structure.withGroups(structure.groups().values().stream().collect(Collectors.toMap(Group::id, group -> group.with(
        group.members().stream().sorted(Comparator.comparing(Object::toString)).toList()))));
  }
}
