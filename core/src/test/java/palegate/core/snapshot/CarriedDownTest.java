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
import palegate.core.Harbour;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Guards;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Rights;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;

/** What is added further up reaches just what follows, and is united with what is there. */
class CarriedDownTest {
  private static final int SEEDS = Often.times(1_500);
  private static final int FOLDERS = 12;

  /** So few things are said in so many places that places which follow and places which do not often have the same around them. */
  private static final class FewThings {
    private final Random random;
    private final Structure base;
    private final List<String> roles;
    private final List<String> types;
    private int count;

    FewThings(long seed) {
      random = new Random(seed);
      base = Harbour.snapshot().structure();
      roles = base.roles().keySet().stream().sorted().limit(2).toList();
      types = base.types().keySet().stream().sorted().limit(2).toList();
    }

    boolean oneIn(int chances) {
      return random.nextInt(chances) == 0;
    }

    <T> T one(List<T> of) {
      return of.get(random.nextInt(of.size()));
    }

    String top() {
      return oneIn(3) ? root() : oneIn(2) ? "L" + random.nextInt(2) : "F" + random.nextInt(FOLDERS);
    }

    String root() {
      return base.repository().orElseThrow().id();
    }

    Entry entry(String place) {
      Subject subject = one(List.<Subject>of(Subject.BuiltIn.STAFF, Subject.BuiltIn.OUTSIDERS));
      Set<String> narrowed = oneIn(4) ? Set.of(one(types)) : Set.of();
      String id = "E" + count++;
      return oneIn(5) ? new Withholding(id, place, subject, Rights.ofMask(1 << random.nextInt(3)), narrowed, Period.ALWAYS, null)
          : new Grant(id, place, subject, one(roles), narrowed, Period.ALWAYS, null);
    }

    Structure structure() {
      Map<String, Place> places = new HashMap<>();
      places.put(root(), base.places().get(root()));
      List<String> folders = new ArrayList<>();
      for (int i = 0; i < 2; i++) {
        put(places, "L" + i, PlaceKind.LIBRARY, root());
        folders.add("L" + i);
      }
      for (int i = 0; i < FOLDERS; i++) {
        put(places, "F" + i, PlaceKind.FOLDER, one(folders));
        folders.add("F" + i);
      }
      for (int i = 0; i < 3 * FOLDERS; i++) {
        put(places, "D" + i, PlaceKind.DOCUMENT, one(folders));
      }
      Map<String, Grant> grants = new HashMap<>();
      Map<String, Withholding> withholdings = new HashMap<>();
      for (String place : places.keySet().stream().sorted().toList()) {
        if (oneIn(3)) {
          Entry entry = entry(place);
          if (entry instanceof Grant grant) {
            grants.put(grant.id(), grant);
          } else {
            withholdings.put(entry.id(), (Withholding) entry);
          }
        }
      }
      return base.withWalls(Map.of()).withGrants(grants).withWithholdings(withholdings).withOversights(Map.of()).withPlaces(places);
    }

    private void put(Map<String, Place> places, String id, PlaceKind kind, String parent) {
      Place place = Place.plain(id, kind, parent, id, oneIn(4), Map.of(), kind == PlaceKind.DOCUMENT && oneIn(2) ? one(types) : null, null, null);
      places.put(id, oneIn(12) ? place.guarded(new Guards(one(roles), oneIn(2), oneIn(2))) : place);
    }

    List<Change> additions() {
      return IntStream.rangeClosed(0, random.nextInt(3)).mapToObj(i -> entry(top()))
          .<Change>map(entry -> entry instanceof Grant grant ? new AccessChange.AddGrant(grant) : new AccessChange.AddWithholding((Withholding) entry)).toList();
    }
  }

  @Test
  void places_are_sorted_as_if_they_were_sorted_afresh_whatever_is_added_above_them() {
    for (long seed = 1; seed <= SEEDS; seed++) {
      FewThings things = new FewThings(seed);
      Snapshot before = Snapshot.of(things.structure());
      before.at(RandomStructures.NOW);
      DraftApplication.Result applied = DraftApplication.of(before, things.additions(), RandomStructures.NOW);
      assertThat(applied.refusals()).as("seed %d", seed).isEmpty();
      try {
        ClassAssignmentTest.assertSortedLike(before.next(applied.structure()), Snapshot.of(applied.structure()));
      } catch (AssertionError wrong) {
        throw new AssertionError("seed " + seed + ": " + wrong.getMessage(), wrong);
      }
    }
  }

  @Test
  void only_what_is_added_counts_and_only_if_nothing_else_differs() {
    int[] before = EnvironmentRow.of(511, 3, new int[] {7}, new int[] {2, 5, 9});
    assertThat(CarriedDown.added(before, EnvironmentRow.of(511, 3, new int[] {7}, new int[] {1, 2, 5, 9, 11}))).containsExactly(1, 11);
    assertThat(CarriedDown.added(before, before)).isEmpty();
    assertThat(CarriedDown.added(before, EnvironmentRow.of(511, 3, new int[] {7}, new int[] {2, 9, 11}))).as("something went").isNull();
    assertThat(CarriedDown.added(before, EnvironmentRow.of(255, 3, new int[] {7}, new int[] {2, 5, 9, 11}))).as("a ceiling").isNull();
    assertThat(CarriedDown.added(before, EnvironmentRow.of(511, 4, new int[] {7}, new int[] {2, 5, 9, 11}))).as("other facts for walls").isNull();
    assertThat(CarriedDown.added(before, EnvironmentRow.of(511, 3, new int[] {8}, new int[] {2, 5, 9, 11}))).as("other overseers").isNull();
  }
}
