package palegate.core.laws;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Function;
import org.junit.jupiter.api.Test;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.ClearanceChange;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.GuardChange;
import palegate.core.changes.OversightChange;
import palegate.core.changes.WallChange;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Guards;
import palegate.core.places.Place;
import palegate.core.random.RandomParts;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/** What holds whatever the structure: each law on random structures, standing and now, around every edge of dates. */
class LawsTest {
  private static final int STRUCTURES = Often.times(240);
  private static final Role ALL_NINE = new Role("all-nine", "All nine", Rights.ALL);

  /** Which way everyone's rights may move. */
  private enum Direction {
    SAME, NOT_MORE, NOT_LESS;

    boolean allows(Rights before, Rights after) {
      return (this == NOT_LESS || before.containsAll(after)) && (this == NOT_MORE || after.containsAll(before));
    }
  }

  @Test
  void no_grant_oversight_break_or_role_gets_anyone_past_a_wall() {
    forEachStructure((seed, structure) -> {
      Snapshot before = Snapshot.of(structure.withRoles(Map.of(ALL_NINE.id(), ALL_NINE)));
      RandomParts parts = RandomParts.of(structure, seed);
      List<Change> opening = new ArrayList<>(List.of(everything("n1", Subject.BuiltIn.STAFF), everything("n2", Subject.BuiltIn.OUTSIDERS),
          new OversightChange.AddOversight(new Oversight("n3", "root", Subject.BuiltIn.STAFF, Period.ALWAYS, null))));
      parts.place(place -> !place.standsAlone()).ifPresent(place ->
          opening.add(new AccessChange.BreakPlace(place, AccessChange.Start.CARRY_OVER, List.of(), "b")));
      Snapshot after = Snapshot.of(after(before.structure(), opening));
      for (Instant instant : instants()) {
        SnapshotAt had = before.at(instant);
        for (int person = 0; person < before.personCount(); person++) {
          for (int place = 0; place < before.placeCount(); place++) {
            if (!had.walls().barring(person, place).isEmpty()) {
              assertThat(after.at(instant).rightsNow(person, after.placeNumber(before.place(place).id())))
                  .as("seed %d, %s at %s, %s", seed, before.person(person).id(), before.place(place).id(), instant).isEqualTo(Rights.NONE);
            }
          }
        }
      }
    });
  }

  @Test
  void a_break_with_carry_over_changes_nobodys_rights() {
    law(Direction.SAME, parts -> parts.place(place -> !place.standsAlone())
        .map(place -> new AccessChange.BreakPlace(place, AccessChange.Start.CARRY_OVER, List.of(), "b")));
  }

  @Test
  void rejoining_what_was_broken_with_carry_over_changes_nothing_where_no_list_stood_before() {
    forEachStructure((seed, structure) -> RandomParts.of(structure, seed)
        .place(place -> !place.standsAlone() && structure.entries().noneMatch(entry -> entry.place().equals(place.id())))
        .ifPresent(place -> assertThat(after(structure, List.of(new AccessChange.BreakPlace(place, AccessChange.Start.CARRY_OVER, List.of(), "b"),
            new AccessChange.RejoinPlace(place, false)))).as("seed %d", seed).isEqualTo(structure)));
  }

  @Test
  void adding_a_withholding_never_adds_a_right() {
    law(Direction.NOT_MORE, parts -> Optional.of(new AccessChange.AddWithholding(parts.withholding("n"))));
  }

  @Test
  void adding_a_wall_never_adds_a_right() {
    law(Direction.NOT_MORE, parts -> Optional.of(new WallChange.SetWall(parts.wall("n"))));
  }

  @Test
  void adding_a_ceiling_or_a_house_rule_never_adds_a_right() {
    law(Direction.NOT_MORE, parts -> {
      Place place = parts.structure().places().get(parts.place());
      Guards had = place.guards();
      return Optional.of(new GuardChange.SetGuards(place.id(), new Guards(had.ceiling() == null ? parts.role() : had.ceiling(),
          had.reserveSharing() || parts.chance(50), had.noTakeaway() || parts.chance(50))));
    });
  }

  @Test
  void guarding_a_type_never_adds_a_right() {
    forEachStructure((seed, structure) -> {
      for (DocumentType type : structure.types().values()) {
        assertRightsMove(Direction.NOT_MORE, seed, structure, structure.withTypes(Map.of(type.id(), type.guarded(true))));
      }
    });
  }

  @Test
  void adding_a_grant_never_takes_a_right() {
    law(Direction.NOT_LESS, parts -> Optional.of(new AccessChange.AddGrant(parts.grant("n"))));
  }

  @Test
  void appointing_an_overseer_never_takes_a_right() {
    law(Direction.NOT_LESS, parts -> Optional.of(new OversightChange.AddOversight(parts.oversight("n"))));
  }

  @Test
  void adding_a_clearance_never_takes_a_right() {
    law(Direction.NOT_LESS, parts -> parts.type().map(type -> new ClearanceChange.AddClearance(type, parts.clearance())));
  }

  @Test
  void excepting_somebody_from_a_wall_never_takes_a_right() {
    law(Direction.NOT_LESS, parts -> parts.wall().map(wall -> new WallChange.AddException(wall, new Wall.Exempt(parts.subject(), null))));
  }

  @Test
  void the_order_in_which_entries_and_walls_stand_does_not_matter() {
    forEachStructure((seed, structure) -> {
      Random random = new Random(seed);
      assertRightsMove(Direction.SAME, seed, structure, new Structure(structure.units(), structure.people(), structure.groups(),
          structure.roles(), structure.types(), structure.places(),
          Parts.of(shuffled(structure.grants().values(), random), Grant::id),
          Parts.of(shuffled(structure.withholdings().values(), random), Withholding::id),
          Parts.of(shuffled(structure.oversights().values(), random), Oversight::id),
          Parts.of(shuffled(structure.walls().values(), random), Wall::id), structure.approvals(), structure.duties(),
          structure.sharing(), structure.passes(), structure.shortlists(), structure.separations()));
    });
  }

  @Test
  void an_inactive_person_has_nothing_anywhere() {
    forEachStructure((seed, structure) -> {
      Snapshot snapshot = Snapshot.of(after(structure.withRoles(Map.of(ALL_NINE.id(), ALL_NINE)), List.of(everything("n1", Subject.BuiltIn.STAFF))));
      for (Person person : structure.people().values()) {
        for (int place = 0; !person.active() && place < snapshot.placeCount(); place++) {
          assertThat(snapshot.at(RandomStructures.NOW).rightsNow(snapshot.personNumber(person.id()), place)).as("seed %d", seed)
              .isEqualTo(Rights.NONE);
        }
      }
    });
  }

  /** That one change, whatever it is made on, moves rights in one direction only. */
  private static void law(Direction direction, Function<RandomParts, Optional<? extends Change>> change) {
    forEachStructure((seed, structure) -> change.apply(RandomParts.of(structure, seed)).ifPresent(made ->
        assertRightsMove(direction, seed, structure, after(structure, List.of(made)))));
  }

  private static void assertRightsMove(Direction direction, long seed, Structure before, Structure after) {
    Snapshot had = Snapshot.of(before);
    Snapshot has = Snapshot.of(after);
    for (Instant instant : instants()) {
      SnapshotAt then = had.at(instant);
      SnapshotAt afterwards = has.at(instant);
      for (int person = 0; person < had.personCount(); person++) {
        for (int place = 0; place < had.placeCount(); place++) {
          int there = has.placeNumber(had.place(place).id());
          boolean holds = direction.allows(then.rights(person, place), afterwards.rights(person, there))
              && direction.allows(then.rightsNow(person, place), afterwards.rightsNow(person, there));
          assertThat(holds).as("seed %d, %s at %s, %s: from [%s], now [%s], to [%s], now [%s]", seed, had.person(person).id(), had.place(place).id(), instant,
              then.rights(person, place), then.rightsNow(person, place), afterwards.rights(person, there), afterwards.rightsNow(person, there)).isTrue();
        }
      }
    }
  }

  /** Now, and later: a break carries over what has not ended, so what had ended before may differ. */
  private static List<Instant> instants() {
    return List.of(RandomStructures.NOW, RandomStructures.NOW.plusSeconds(3_600), RandomStructures.NOW.plusSeconds(7_200));
  }

  private static void forEachStructure(BiConsumer<Long, Structure> check) {
    for (long seed = 1; seed <= STRUCTURES; seed++) {
      check.accept(seed, RandomStructures.fromSeed(seed));
    }
  }

  private static Structure after(Structure structure, List<Change> changes) {
    return DraftApplication.of(Snapshot.of(structure), changes, RandomStructures.NOW).structure();
  }

  private static Change everything(String id, Subject subject) {
    return new AccessChange.AddGrant(new Grant(id, "root", subject, ALL_NINE.id(), Set.of(), Period.ALWAYS, null));
  }

  private static <T> List<T> shuffled(Collection<T> parts, Random random) {
    List<T> list = new ArrayList<>(parts);
    Collections.shuffle(list, random);
    return list;
  }
}
