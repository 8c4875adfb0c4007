package palegate.core.matrix;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palegate.core.access.Grant;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;

/** Columns that are alike are looked at once; that must mark just the cells that are marked when each is looked at by itself. */
class OutliersAgreeWithLiteralOnesTest {
  private static final Instant NOW = Instant.parse("2026-05-01T00:00:00Z");
  private static final int STRUCTURES = Often.times(600);
  private static final List<Role> ROLES = List.of(new Role("reader", "Reader", Rights.parse(List.of("find", "read"))), new Role("preparer", "Preparer", Rights.parse(List.of("find", "read", "add", "revise"))));

  /** Folders of three depths, groups in one, two or no group, mostly following a pattern that the seed chooses, with some that do not. */
  private static Snapshot structure(Random random) {
    int groups = 4 + random.nextInt(7);
    int folders = 4 + random.nextInt(7);
    List<Group> all = new ArrayList<>();
    List<List<Membership>> within = List.of(new ArrayList<>(), new ArrayList<>());
    for (int i = 0; i < groups; i++) {
      all.add(new Group("g" + i, "Group " + i, null, List.of()));
      int in = random.nextInt(5);
      if (in < 4) {
        within.get(in == 3 ? 1 : 0).add(new Membership(new Membership.GroupMember("g" + i), Period.ALWAYS));
      }
    }
    all.add(new Group("north", "North", null, within.get(0)));
    all.add(new Group("south", "South", null, within.get(1)));
    List<Place> places = new ArrayList<>(List.of(Place.plain("root", PlaceKind.REPOSITORY, null, "Root", true, Map.of(), null, null, null), Place.plain("lib", PlaceKind.LIBRARY, "root", "Lib", false, Map.of(), null, null, null)));
    for (int i = 0; i < folders; i++) {
      places.add(Place.plain("f" + i, PlaceKind.FOLDER, "lib", "F " + i, random.nextInt(9) == 0, Map.of(), null, null, null));
      for (int j = 0; j < random.nextInt(4); j++) {
        places.add(Place.plain("f" + i + "-" + j, PlaceKind.FOLDER, "f" + i, "Part " + j, random.nextInt(12) == 0, Map.of(), null, null, null));
      }
    }
    List<Grant> grants = new ArrayList<>();
    int pattern = random.nextInt(4);
    for (int g = 0; g < groups; g++) {
      for (int f = 0; f < folders; f++) {
        if (pattern == 0 && g == f || pattern == 1 && f % 2 == 0 || random.nextInt(18) == 0) {
          grants.add(new Grant("e" + grants.size(), "f" + f, new Subject.OfGroup("g" + g), ROLES.get(random.nextInt(11) == 0 ? 1 : 0).id(), Set.of(), Period.ALWAYS, null));
        }
      }
      if (pattern == 2 && random.nextInt(3) > 0) {
        grants.add(new Grant("e" + grants.size(), "lib", new Subject.OfGroup("g" + g), "reader", Set.of(), Period.ALWAYS, null));
      }
    }
    for (Place place : places) {
      if (place.id().contains("-") && random.nextInt(14) == 0) {
        grants.add(new Grant("e" + grants.size(), place.id(), new Subject.OfGroup(random.nextBoolean() ? "north" : "g" + random.nextInt(groups)), "preparer", Set.of(), Period.ALWAYS, null));
      }
    }
    return Snapshot.of(Structure.of(List.of(), List.of(), all, ROLES, List.of(), places, grants, List.of()));
  }

  @Test
  void on_random_structures_just_the_same_cells_are_marked_and_as_strange() {
    int marked = 0;
    int lacking = 0;
    for (long seed = 1; seed <= STRUCTURES; seed++) {
      Snapshot snapshot = structure(new Random(seed));
      SnapshotAt moment = snapshot.at(NOW);
      List<MatrixRows.Row> rows = MatrixRows.arranged(moment, MatrixRows.chosen(moment, NOW, MatrixRows.Rule.GROUPS, 0));
      List<MatrixColumns.PlaceColumn> columns = MatrixColumns.below(snapshot, snapshot.placeNumber(seed % 2 == 0 ? "lib" : "root"), false, MatrixColumns.AT_MOST).columns();
      GivenRights given = GivenRights.of(moment, NOW, rows.stream().map(MatrixRows.Row::subject).toList(), columns.stream().map(column -> Column.of(column.place())).toList());
      List<LiteralOutliers.Found> found = LiteralOutliers.of(Outliers.of(given, rows, columns));
      assertThat(found).as("seed %d", seed).isEqualTo(LiteralOutliers.of(given, rows, columns));
      marked += found.size();
      lacking += found.stream().filter(LiteralOutliers.Found::lacks).count();
    }
    assertThat(marked).as("the structures have outliers").isGreaterThan(STRUCTURES);
    assertThat(lacking).as("and cells that lack their exception").isGreaterThan(10);
  }
}
