package palegate.core.snapshot;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.PlaceChange;
import palegate.core.changes.RoleChange;
import palegate.core.literal.LiteralRules;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Guards;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.random.RandomParts;
import palegate.core.random.RandomStructures;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.structure.Structure;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** So many places that two threads sort them. What they find must not depend on that. */
class ClassAssignmentTest {
  private static final long SEED = 20_261;
  private static final int LIBRARIES = 24;
  private static final int FOLDERS = 30;
  private static final int DOCUMENTS = 90;

  private static final Structure LARGE = large();
  private final Snapshot snapshot = Snapshot.of(LARGE);

  /** A small random structure, below whose root some 66,000 places stand, a tenth of them with something of their own. */
  private static Structure large() {
    Structure small = RandomStructures.fromSeed(SEED);
    Random random = new Random(SEED);
    RandomParts parts = RandomParts.of(small, SEED);
    Map<String, Place> places = new HashMap<>();
    String root = small.repository().orElseThrow().id();
    for (int library = 0; library < LIBRARIES; library++) {
      add(places, "L" + library, PlaceKind.LIBRARY, root, random, parts);
      for (int folder = 0; folder < FOLDERS; folder++) {
        String id = "L" + library + "F" + folder;
        add(places, id, PlaceKind.FOLDER, folder % 3 == 0 ? "L" + library : "L" + library + "F" + (folder - 1), random, parts);
        for (int document = 0; document < DOCUMENTS; document++) {
          add(places, id + "D" + document, PlaceKind.DOCUMENT, id, random, parts);
        }
      }
    }
    Structure grown = small.withPlaces(places);
    List<String> ids = places.keySet().stream().sorted().toList();
    Map<String, Grant> grants = new HashMap<>();
    Map<String, Withholding> withholdings = new HashMap<>();
    for (int i = 0; i < 4_000; i++) {
      String place = ids.get(random.nextInt(ids.size()));
      Set<String> types = random.nextInt(4) == 0 ? parts.type().map(Set::of).orElse(Set.of()) : Set.of();
      grants.put("G" + i, new Grant("G" + i, place, parts.subject(), parts.role(), types, Period.ALWAYS, null));
      if (i % 8 == 0) {
        withholdings.put("W" + i, new Withholding("W" + i, place, parts.subject(), Rights.ofMask(1 + random.nextInt(511)), types, Period.ALWAYS, null));
      }
    }
    Map<String, Wall> walls = new HashMap<>();
    for (int i = 0; i < 3; i++) {
      walls.put("X" + i, new Wall("X" + i, "Wall", null, Wall.State.STANDING, Period.ALWAYS, new Barrier.Screen(Scope.ofLabel("k", "v" + i), List.of(parts.subject())), List.of()));
    }
    return grown.withGrants(grants).withWithholdings(withholdings).withWalls(walls);
  }

  private static void add(Map<String, Place> places, String id, PlaceKind kind, String parent, Random random, RandomParts parts) {
    Map<String, String> labels = random.nextInt(10) == 0 ? Map.of("k", "v" + random.nextInt(3)) : Map.of();
    String type = kind == PlaceKind.DOCUMENT ? parts.type().orElse(null) : null;
    Place place = Place.plain(id, kind, parent, id, random.nextInt(30) == 0, labels, type, null, null);
    places.put(id, random.nextInt(20) == 0 ? place.guarded(new Guards(parts.role(), random.nextBoolean(), random.nextBoolean())) : place);
  }

  private Snapshot with(Change... changes) {
    return snapshot.next(DraftApplication.of(snapshot, List.of(changes), RandomStructures.NOW).structure());
  }

  private static Change grantToStaff(String place) {
    return new AccessChange.AddGrant(new Grant("new-" + place, place, Subject.BuiltIn.STAFF, LARGE.roles().keySet().stream().sorted().findFirst().orElseThrow(), Set.of(), Period.ALWAYS, null));
  }

  private static String root() {
    return LARGE.repository().orElseThrow().id();
  }

  private static void assertLiteral(Snapshot found) {
    Random random = new Random(SEED);
    SnapshotAt moment = found.at(RandomStructures.NOW);
    int[] places = found.places().toArray();
    for (int i = 0; i < 1_500; i++) {
      int person = random.nextInt(found.personCount());
      int place = places[random.nextInt(places.length)];
      Rights literally = Rights.copyOf(LiteralRules.standing(found.structure(), found.person(person).id(), found.place(place).id(), RandomStructures.NOW));
      assertThat(List.of(moment.rights(person, place), moment.holders(place).of(person)))
          .as("seed %d, %s at %s", SEED, found.person(person).id(), found.place(place).id()).containsOnly(literally);
    }
  }

  /** The places fall into the same classes, whatever their numbers, and each class counts its own. */
  static void assertSortedLike(Snapshot found, Snapshot fresh) {
    SnapshotAt here = found.at(RandomStructures.NOW);
    SnapshotAt there = fresh.at(RandomStructures.NOW);
    Map<Integer, Integer> classThere = new HashMap<>();
    Map<Integer, Integer> classHere = new HashMap<>();
    int[] counted = new int[here.classCount()];
    found.places().forEach(place -> {
      int mine = here.classOf(place);
      int theirs = there.classOf(fresh.placeNumber(found.place(place).id()));
      assertThat(classThere.computeIfAbsent(mine, any -> theirs)).as(found.place(place).id()).isEqualTo(theirs);
      assertThat(classHere.computeIfAbsent(theirs, any -> mine)).as(found.place(place).id()).isEqualTo(mine);
      counted[mine]++;
    });
    assertThat(IntStream.range(0, counted.length).map(here::placesInClass)).containsExactly(IntStream.of(counted).boxed().toArray(Integer[]::new));
  }

  @Test
  void what_two_threads_sort_is_literally_right() {
    assertThat(snapshot.placeCount()).isGreaterThan(60_000);
    assertThat(snapshot.at(RandomStructures.NOW).wallSetCount()).as("sets of walls").isGreaterThan(3);
    assertLiteral(snapshot);
  }

  @Test
  void sorting_gives_the_same_numbers_each_time() {
    Snapshot again = Snapshot.of(LARGE);
    SnapshotAt one = snapshot.at(RandomStructures.NOW);
    SnapshotAt other = again.at(RandomStructures.NOW);
    assertThat(one.classCount()).isEqualTo(other.classCount());
    assertThat(snapshot.places().map(one::classOf)).containsExactly(again.places().map(other::classOf).boxed().toArray(Integer[]::new));
  }

  @Test
  void what_alters_everything_below_the_root_sorts_the_places_as_if_afresh() {
    Snapshot granted = with(grantToStaff(root()), grantToStaff("L20F5"));
    assertSortedLike(granted, Snapshot.of(granted.structure()));
    assertSortedLike(granted.detached(), Snapshot.of(granted.structure()));
    assertLiteral(granted);
  }

  @Test
  void a_role_given_at_very_many_places_sorts_the_places_as_if_afresh() {
    String role = LARGE.roles().keySet().stream().sorted().findFirst().orElseThrow();
    Snapshot altered = with(new RoleChange.SetRole(new Role(role, "Role", Rights.parse(List.of("find", "read", "copy", "govern")))));
    assertSortedLike(altered, Snapshot.of(altered.structure()));
    assertLiteral(altered);
  }

  @Test
  void libraries_given_and_folders_moved_together_sort_the_places_as_if_afresh() {
    List<Change> changes = new ArrayList<>();
    IntStream.range(0, LIBRARIES).forEach(library -> changes.add(grantToStaff("L" + library)));
    changes.add(new PlaceChange.MovePlace("L2F6", "L21F3"));
    changes.add(new PlaceChange.MovePlace("L22F9", "L1F2"));
    changes.add(new PlaceChange.RemovePlace("L3F4D7"));
    Snapshot moved = with(changes.toArray(Change[]::new));
    assertThat(moved.placeNumber("L3F4D7")).isEqualTo(-1);
    assertSortedLike(moved, Snapshot.of(moved.structure()));
    assertLiteral(moved);
  }

  @Test
  void the_difference_made_by_numbers_of_two_threads_is_that_of_two_states_compiled_apart() {
    Snapshot granted = with(grantToStaff(root()));
    RightsDifference difference = RightsDifference.between(snapshot, granted, RandomStructures.NOW);
    RightsDifference apart = RightsDifference.between(snapshot, Snapshot.of(granted.structure()), RandomStructures.NOW);
    assertThat(difference.totals()).isEqualTo(apart.totals());
    assertThat(difference.gainedByRight()).isEqualTo(apart.gainedByRight());
    assertThat(difference.people()).isEqualTo(apart.people());
  }
}
