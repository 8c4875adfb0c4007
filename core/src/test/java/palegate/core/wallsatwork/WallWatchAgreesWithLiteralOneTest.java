package palegate.core.wallsatwork;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.tuple;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.MembershipChange;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.random.RandomMatters;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/**
 * In a repository made of words that gaps are found by, after any draft: what is told to lie outside, and what people who are kept out come to,
 * is exactly what one finds by looking for all gaps of both states and asking everybody at every place.
 */
class WallWatchAgreesWithLiteralOneTest {
  private static final long FIRST_SEED = 20_261_130L;
  private static final List<String> PEOPLE = List.of("mia", "ola", "per");

  private static Snapshot first(Random random) {
    Structure made = RandomMatters.in(random, 20, 25);
    List<Subject> mia = List.of(new Subject.OfPerson("mia"));
    return Snapshot.of(made.withWalls(Map.of(
        "screen", wall("screen", new Barrier.Screen(Scope.ofLabel("case", "C-7101"), mia)),
        "seal", wall("seal", new Barrier.Seal(new Scope(Set.of(RandomMatters.any(RandomMatters.folders(made), random)), Set.of(), Map.of()), List.of(new Subject.OfPerson("ola")))),
        "sides", wall("sides", new Barrier.Sides(List.of(new Barrier.Side("One", mia, Scope.ofLabel("case", "C-7110")), new Barrier.Side("Two", List.of(new Subject.OfPerson("per")), Scope.ofLabel("matter", "C-7101"))))))));
  }

  private static Wall wall(String id, Barrier barrier) {
    return new Wall(id, id, null, Wall.State.STANDING, Period.ALWAYS, barrier, List.of());
  }

  private static Change change(Structure structure, Random random, int number) {
    List<Place> own = RandomMatters.own(structure);
    String person = RandomMatters.any(PEOPLE, random);
    return switch (own.isEmpty() ? 7 : random.nextInt(8)) {
      case 0 -> new MembershipChange.AddMember(random.nextBoolean() ? "divers" : "trainees", new Membership(new Membership.PersonMember(person), Period.ALWAYS));
      case 1, 2 -> new AccessChange.AddGrant(new Grant("e-n" + number, RandomMatters.any(own, random).id(), random.nextBoolean() ? new Subject.OfPerson(person) : new Subject.OfGroup("divers"), "reader", Set.of(), Period.ALWAYS, null));
      default -> RandomMatters.change(structure, random, number);
    };
  }

  private static List<WallGap> likely(Snapshot state, Wall wall) {
    return WallGaps.of(state, wall).stream().filter(gap -> gap.confidence() != WallGap.Confidence.POSSIBLE).toList();
  }

  private static Set<String> outside(Snapshot before, Snapshot after) {
    return after.structure().walls().values().stream().flatMap(wall -> {
      Set<String> known = WallGaps.of(before, wall).stream().map(WallGap::place).collect(Collectors.toSet());
      return likely(after, wall).stream().filter(gap -> !known.contains(gap.place())).map(gap -> wall.id() + " " + gap.place());
    }).collect(Collectors.toCollection(TreeSet::new));
  }

  private static Set<String> gained(Snapshot before, Snapshot after) {
    Set<String> all = new TreeSet<>();
    for (Wall wall : after.structure().walls().values()) {
      for (WallGap gap : likely(after, wall)) {
        after.below(after.placeNumber(gap.place())).boxed().sorted(after.inTreeOrder()).filter(place -> before.placeNumber(after.place(place).id()) >= 0)
            .filter(place -> PEOPLE.stream().anyMatch(person -> isKeptOut(after, wall, gap, person) && rights(before, person, after.place(place).id()) == 0 && rights(after, person, after.place(place).id()) != 0))
            .findFirst().ifPresent(place -> all.add(wall.id() + " " + after.place(place).id()));
      }
    }
    return all;
  }

  @Test
  void whom_a_wall_keeps_out_is_the_same_with_its_places_and_without() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 40; seed++) {
      SnapshotAt state = first(new Random(seed)).at(Harbour.NOW);
      for (Wall wall : List.of(state.snapshot().structure().walls().get("screen"), state.snapshot().structure().walls().get("seal"), state.snapshot().structure().walls().get("sides"),
          wall("confine", new Barrier.Confine(Scope.ofLabel("case", "C-7101"), List.of(new Subject.OfPerson("mia")))))) {
        assertThat(Barring.ofPeople(state, wall)).as("seed %d, %s", seed, wall.id()).extracting(Barring::side, Barring::people).isEqualTo(Barring.of(state, wall).stream().map(one -> tuple(one.side(), one.people())).toList());
        assertThat(Barring.ofPeople(state, wall)).allMatch(one -> one.places().isEmpty());
      }
    }
  }

  private static boolean isKeptOut(Snapshot after, Wall wall, WallGap gap, String person) {
    return Barring.of(after.at(Harbour.NOW), wall).stream().filter(barring -> gap.side() == null || gap.side().equals(barring.side())).anyMatch(barring -> barring.people().contains(after.personNumber(person)));
  }

  private static int rights(Snapshot state, String person, String place) {
    return state.at(Harbour.NOW).rights(state.personNumber(person), state.placeNumber(place)).size();
  }

  private static Set<String> told(List<WallWatch.Notice> notices, WallWatch.Kind kind) {
    return notices.stream().filter(notice -> notice.kind() == kind).map(notice -> notice.wall() + " " + notice.place()).collect(Collectors.toCollection(TreeSet::new));
  }

  @Test
  void what_is_told_of_a_draft_is_what_one_finds_by_looking_at_everything() {
    int outside = 0;
    int gained = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(160); seed++) {
      Random random = new Random(seed);
      Snapshot before = first(random);
      for (int draft = 0; draft < 6; draft++) {
        List<Change> changes = new ArrayList<>();
        for (int i = 0; i < 1 + random.nextInt(3); i++) {
          changes.add(change(before.structure(), random, draft * 10 + i));
        }
        DraftApplication.Result result = DraftApplication.of(before, changes, Harbour.NOW);
        if (!result.refusals().isEmpty()) {
          continue;
        }
        Snapshot after = before.next(result.difference());
        List<WallWatch.Notice> notices = WallWatch.of(before, after, List.of(RightsDifference.between(before, after, Harbour.NOW)));
        assertThat(told(notices, WallWatch.Kind.OUTSIDE)).as("seed %d, after %s", seed, changes).isEqualTo(outside(before, after));
        assertThat(told(notices, WallWatch.Kind.GAINED_OUTSIDE)).as("seed %d, after %s", seed, changes).isEqualTo(gained(before, after));
        outside += told(notices, WallWatch.Kind.OUTSIDE).size();
        gained += told(notices, WallWatch.Kind.GAINED_OUTSIDE).size();
        before = after;
      }
    }
    assertThat(outside).isGreaterThan(Often.times(40));
    assertThat(gained).isGreaterThan(Often.times(20));
  }
}
