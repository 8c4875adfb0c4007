package palegate.core.matrix;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
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

/** Outliers: planted ones are found, the ordinary arrangements are left alone. */
class OutliersTest {
  private static final Instant NOW = Instant.parse("2026-05-01T00:00:00Z");
  private static final List<Role> ROLES = List.of(new Role("reader", "Reader", Rights.parse(List.of("find", "read"))),
      new Role("preparer", "Preparer", Rights.parse(List.of("find", "read", "add", "revise"))), new Role("keeper", "Keeper", Rights.ALL));

  /** Regional groups, all in “Regions”, and regional folders with a folder “Letters” in each; grants as {@code group place role}. */
  private record World(int groups, int folders, List<String[]> grants) {
    List<String> found() {
      List<Group> all = new ArrayList<>();
      List<Membership> members = new ArrayList<>();
      for (int i = 0; i < groups; i++) {
        all.add(new Group("g" + i, "Region " + i, null, List.of()));
        members.add(new Membership(new Membership.GroupMember("g" + i), Period.ALWAYS));
      }
      all.add(new Group("regions", "Regions", null, members));
      List<Place> places = new ArrayList<>(List.of(place("root", PlaceKind.REPOSITORY, null), place("lib", PlaceKind.LIBRARY, "root")));
      for (int i = 0; i < folders; i++) {
        places.add(place("f" + i, PlaceKind.FOLDER, "lib"));
        places.add(Place.plain("f" + i + "-letters", PlaceKind.FOLDER, "f" + i, "Letters", false, Map.of(), null, null, null));
      }
      List<Grant> given = new ArrayList<>();
      grants.forEach(each -> given.add(new Grant("e" + given.size(), each[1], new Subject.OfGroup(each[0]), each[2], Set.of(), Period.ALWAYS, null)));
      Snapshot snapshot = Snapshot.of(Structure.of(List.of(), List.of(), all, ROLES, List.of(), places, given, List.of()));
      SnapshotAt moment = snapshot.at(NOW);
      List<MatrixRows.Row> rows = MatrixRows.arranged(moment, MatrixRows.chosen(moment, NOW, MatrixRows.Rule.GROUPS, 0));
      List<MatrixColumns.PlaceColumn> columns = MatrixColumns.below(snapshot, snapshot.placeNumber("lib"), false, MatrixColumns.AT_MOST).columns();
      GivenRights cells = GivenRights.of(moment, NOW, rows.stream().map(MatrixRows.Row::subject).toList(), columns.stream().map(column -> Column.of(column.place())).toList());
      return Outliers.of(cells, rows, columns).stream().map(one -> rows.get(one.row()).subject().id() + " " + snapshot.place(columns.get(one.column()).place()).id() + (one.lacks() ? " lacks" : "")).toList();
    }
  }

  private static Place place(String id, PlaceKind kind, String parent) {
    return Place.plain(id, kind, parent, id.toUpperCase(Locale.ROOT), kind == PlaceKind.REPOSITORY, Map.of(), null, null, null);
  }

  private static List<String[]> diagonal(int size) {
    List<String[]> grants = new ArrayList<>();
    for (int i = 0; i < size; i++) {
      grants.add(new String[] {"g" + i, "f" + i, "preparer"});
    }
    return grants;
  }

  @Test
  void each_group_in_its_own_region_is_no_outlier() {
    assertThat(new World(8, 8, diagonal(8)).found()).isEmpty();
  }

  @Test
  void a_group_in_the_region_of_another_is_one() {
    List<String[]> grants = diagonal(8);
    grants.add(new String[] {"g2", "f5", "reader"});
    assertThat(new World(8, 8, grants).found()).containsExactly("g2 f5");
    grants.set(8, new String[] {"g2", "f5", "preparer"});
    assertThat(new World(8, 8, grants).found()).as("even with just what it has at home").containsExactly("g2 f5");
  }

  @Test
  void a_group_that_has_something_else_in_its_own_region_is_one() {
    List<String[]> grants = diagonal(8);
    grants.set(3, new String[] {"g3", "f3", "keeper"});
    assertThat(new World(8, 8, grants).found()).containsExactly("g3 f3");
  }

  @Test
  void a_group_that_lacks_its_own_region_is_one() {
    List<String[]> grants = diagonal(8);
    grants.remove(6);
    assertThat(new World(8, 8, grants).found()).containsExactly("g6 f6 lacks");
  }

  @Test
  void one_place_that_differs_in_a_row_is_one_and_what_flows_down_from_it_is_not() {
    List<String[]> grants = new ArrayList<>(List.of(new String[] {"g0", "lib", "reader"}, new String[] {"g0", "f4", "keeper"}));
    assertThat(new World(1, 9, grants).found()).containsExactly("g0 f4");
  }

  @Test
  void a_whole_column_or_row_that_differs_alike_is_none() {
    List<String[]> grants = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      grants.add(new String[] {"g" + i, "f3", "keeper"});
    }
    assertThat(new World(8, 8, grants).found()).isEmpty();
    assertThat(new World(8, 8, List.<String[]>of(new String[] {"g3", "lib", "keeper"})).found().stream().filter(found -> !found.endsWith(" lib"))).isEmpty();
  }

  @Test
  void where_there_is_no_pattern_it_is_quiet() {
    int found = 0;
    for (long seed = 1; seed <= 50; seed++) {
      Random random = new Random(seed);
      List<String[]> grants = new ArrayList<>();
      for (int group = 0; group < 8; group++) {
        for (int folder = 0; folder < 8; folder++) {
          if (random.nextInt(3) > 0) {
            grants.add(new String[] {"g" + group, "f" + folder, ROLES.get(random.nextInt(3)).id()});
          }
        }
      }
      found += new World(8, 8, grants).found().size();
    }
    assertThat(found).as("outliers in 50 times 64 cells without any pattern").isLessThanOrEqualTo(32);
  }

  @Test
  void planted_ones_are_found_and_hardly_anything_else() {
    int planted = 0;
    int right = 0;
    int said = 0;
    for (long seed = 1; seed <= 60; seed++) {
      Random random = new Random(seed);
      List<String[]> grants = diagonal(12);
      String group = "g" + random.nextInt(12);
      String folder = "f" + random.nextInt(12);
      if (!group.substring(1).equals(folder.substring(1))) {
        grants.add(new String[] {group, folder, ROLES.get(random.nextInt(3)).id()});
        planted++;
        List<String> found = new World(12, 12, grants).found();
        said += found.size();
        right += found.contains(group + " " + folder) ? 1 : 0;
      }
    }
    assertThat(right).as("found of %d planted", planted).isEqualTo(planted);
    assertThat(said).as("marked in all").isEqualTo(planted);
  }
}
