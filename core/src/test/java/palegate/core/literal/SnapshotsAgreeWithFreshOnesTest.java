package palegate.core.literal;

import static org.assertj.core.api.Assertions.assertThat;
import static palegate.core.literal.Literally.FIRST_SEED;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomGrowth;
import palegate.core.random.RandomMoves;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;

/** A snapshot made from another one tells the same as one compiled afresh. */
class SnapshotsAgreeWithFreshOnesTest {
  @Test
  void a_snapshot_made_from_another_gives_the_same_rights_as_one_compiled_afresh_however_often_it_is_done() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(500); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(structure);
      for (int step = 0; step < 3; step++) {
        snapshot = snapshot.next(DraftApplication.of(snapshot, RandomDrafts.fromSeed(snapshot.structure(), seed + step), RandomStructures.NOW).structure());
        Snapshot fresh = Snapshot.of(snapshot.structure());
        for (int hours = -3; hours <= 3; hours++) {
          Instant instant = RandomStructures.NOW.plusSeconds(3_600L * hours);
          for (int person = 0; person < fresh.personCount(); person++) {
            for (int place = 0; place < fresh.placeCount(); place++) {
              assertThat(List.of(snapshot.at(instant).rights(person, place), snapshot.at(instant).holders(place).of(person),
                  snapshot.detached().at(instant).holders(place).of(person)))
                  .as("seed %d, step %d at %s", seed, step, instant).containsOnly(fresh.at(instant).rights(person, place));
            }
          }
        }
        assertClassesCountTheirPlaces(seed, snapshot.at(RandomStructures.NOW));
      }
    }
  }

  @Test
  void a_snapshot_to_which_places_and_groups_come_is_like_one_compiled_afresh_however_often_they_do() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(420); seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      for (int step = 0; step < 3; step++) {
        List<Change> changes = new ArrayList<>(RandomGrowth.fromSeed(snapshot.structure(), seed, step));
        changes.addAll(RandomDrafts.fromSeed(snapshot.structure(), seed + step));
        Structure grown = DraftApplication.of(snapshot, changes, RandomStructures.NOW).structure();
        snapshot = snapshot.next(grown);
        assertLikeFresh("seed %d, step %d".formatted(seed, step), snapshot, Snapshot.of(grown));
        assertLikeFresh("seed %d, step %d, detached".formatted(seed, step), snapshot.detached(), Snapshot.of(grown));
        assertClassesCountTheirPlaces(seed, snapshot.at(RandomStructures.NOW));
      }
    }
  }

  @Test
  void a_snapshot_in_which_places_move_go_and_come_back_is_like_one_compiled_afresh_however_often_they_do() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(420); seed++) {
      Structure first = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(first);
      Snapshot kept = snapshot;
      for (int step = 0; step < 4; step++) {
        List<Change> changes = new ArrayList<>(RandomMoves.fromSeed(first, snapshot.structure(), seed, step));
        changes.addAll(RandomDrafts.fromSeed(snapshot.structure(), seed + step));
        Structure moved = DraftApplication.of(snapshot, changes, RandomStructures.NOW).structure();
        snapshot = snapshot.next(moved);
        kept = kept.next(moved).detached();
        String as = "seed %d, step %d".formatted(seed, step);
        assertLikeFresh(as, snapshot, Snapshot.of(moved));
        assertLikeFresh(as + ", kept", kept, Snapshot.of(moved));
        assertClassesCountTheirPlaces(seed, snapshot.at(RandomStructures.NOW));
        assertClassesCountTheirPlaces(seed, kept.at(RandomStructures.NOW));
      }
    }
  }

  /** The same people may do the same at the same places, and the tree reads the same, whatever the numbers. */
  private static void assertLikeFresh(String as, Snapshot snapshot, Snapshot fresh) {
    List<Integer> byWays = snapshot.places().boxed().sorted(snapshot.inTreeOrder()).toList();
    assertThat(snapshot.placeCount()).as(as).isEqualTo(fresh.placeCount());
    assertThat(byWays).as(as).isEqualTo(snapshot.inDisplayOrder().boxed().toList());
    assertThat(ids(snapshot, snapshot.inDisplayOrder())).as(as).isEqualTo(ids(fresh, fresh.inDisplayOrder()));
    for (int place = 0; place < fresh.placeCount(); place++) {
      int here = snapshot.placeNumber(fresh.place(place).id());
      assertThat(snapshot.place(here)).as(as).isEqualTo(fresh.place(place));
      assertThat(Set.copyOf(ids(snapshot, snapshot.below(here)))).as(as).isEqualTo(Set.copyOf(ids(fresh, fresh.below(place))));
      assertThat(ids(snapshot, snapshot.inDisplayOrder(here))).as(as).isEqualTo(ids(fresh, fresh.inDisplayOrder(place)));
      assertThat(snapshot.below(here).boxed().sorted(snapshot.inTreeOrder()).toList()).as(as).isEqualTo(snapshot.inDisplayOrder(here).boxed().toList());
      assertThat(snapshot.breaksBelow(here)).as(as).isEqualTo(fresh.breaksBelow(place));
      assertThat(snapshot.pathText(here)).as(as).isEqualTo(fresh.pathText(place));
      assertThat(Set.copyOf(snapshot.reachingEntries(here))).as(as).isEqualTo(Set.copyOf(fresh.reachingEntries(place)));
      for (int hours = -2; hours <= 2; hours += 2) {
        Instant instant = RandomStructures.NOW.plusSeconds(3_600L * hours);
        for (int person = 0; person < fresh.personCount(); person++) {
          int number = snapshot.personNumber(fresh.person(person).id());
          assertThat(List.of(snapshot.at(instant).rights(number, here), snapshot.at(instant).holders(here).of(number)))
              .as("%s, %s at %s, %s", as, fresh.person(person).id(), fresh.place(place).id(), instant).containsOnly(fresh.at(instant).rights(person, place));
        }
      }
    }
  }

  private static void assertClassesCountTheirPlaces(long seed, SnapshotAt moment) {
    int[] counted = new int[moment.classCount()];
    moment.snapshot().places().forEach(place -> counted[moment.classOf(place)]++);
    for (int number = 0; number < counted.length; number++) {
      assertThat(moment.placesInClass(number)).as("seed %d, class %d", seed, number).isEqualTo(counted[number]);
    }
  }

  private static List<String> ids(Snapshot snapshot, IntStream places) {
    return places.mapToObj(place -> snapshot.place(place).id()).toList();
  }
}
