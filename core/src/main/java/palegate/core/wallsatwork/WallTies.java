package palegate.core.wallsatwork;

import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Stream;
import palegate.core.access.Oversight;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.places.Conditions;
import palegate.core.places.Place;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;

/**
 * What ties people to what a wall keeps from them, and what it leaves to nobody.
 *
 * @param ties of barred people, in tree order of the places
 * @param stranded how many covered documents somebody active could read without the wall, and nobody can with it
 */
public record WallTies(List<Tie> ties, int stranded) {
  /** How somebody barred is tied to a place inside: among others, they have shared it, it is shared with them by name, or they hold a pass to it. */
  public enum How {
    OWNS, CHECKED_OUT, OVERSEES, SHARES, SHARED_WITH, HAS_PASS
  }

  /** {@code since} is when they checked it out; null otherwise. */
  public record Tie(How how, String person, String place, Instant since) {}

  public WallTies {
    ties = List.copyOf(ties);
  }

  /** Whether the wall names somebody among those whom it keeps out, whatever it covers. */
  public static boolean bars(List<Barring> barrings, int person) {
    return person >= 0 && barrings.stream().anyMatch(barring -> barring.people().contains(person));
  }

  /** Everyone who would lose {@code govern} somewhere by the wall. */
  public static List<RightsDifference.PersonShift> keepers(RightsDifference difference) {
    return difference.people().stream().filter(shift -> shift.lost().contains(Right.GOVERN)).toList();
  }

  /** In the order of the tree. O(covered places × oversights of barred people). */
  public static WallTies of(StandingWall standing) {
    Snapshot snapshot = standing.with().snapshot();
    List<Barring> parts = Barring.disjoint(standing.barrings());
    List<Tie> ties = new ArrayList<>();
    for (Barring part : parts) {
      part.places().stream().forEach(place -> {
        Place here = snapshot.place(place);
        add(ties, How.OWNS, here.owner(), snapshot, part.people(), here, null);
        Conditions conditions = here.conditions();
        add(ties, How.CHECKED_OUT, conditions.checkedOutBy(), snapshot, part.people(), here, conditions.checkedOutAt());
      });
    }
    BitSet covered = Barring.places(parts);
    PersonSet barred = Barring.people(parts);
    for (Oversight oversight : snapshot.structure().oversights().values()) {
      PersonSet overseers = oversight.period().holdsAt(standing.with().instant()) ? standing.with().matching(oversight.subject()).and(barred) : PersonSet.NOBODY;
      int top = snapshot.placeNumber(oversight.place());
      // An appointment higher up is said once, where the wall begins.
      if (!overseers.isEmpty() && top >= 0) {
        snapshot.below(top).filter(covered::get).boxed().min(snapshot.inTreeOrder()).ifPresent(place -> overseers.forEach(person -> {
          if (parts.stream().anyMatch(part -> part.places().get(place) && part.people().contains(person))) {
            ties.add(new Tie(How.OVERSEES, snapshot.person(person).id(), snapshot.place(place).id(), null));
          }
        }));
      }
    }
    addShares(ties, standing, parts);
    Comparator<Integer> order = snapshot.inTreeOrder();
    ties.sort(Comparator.<Tie, Integer>comparing(tie -> snapshot.placeNumber(tie.place()), order).thenComparing(Tie::how).thenComparing(Tie::person));
    return new WallTies(ties.stream().distinct().toList(), stranded(standing, covered));
  }

  /** O(grants + passes): where the wall covers the place itself that was shared. */
  private static void addShares(List<Tie> ties, StandingWall standing, List<Barring> parts) {
    Snapshot snapshot = standing.with().snapshot();
    Function<String, Stream<Barring>> around = place -> {
      int number = snapshot.placeNumber(place);
      return number < 0 ? Stream.empty() : parts.stream().filter(part -> part.places().get(number));
    };
    snapshot.structure().grants().values().stream().filter(grant -> grant.isShare() && !grant.period().endedBy(standing.with().instant())).forEach(grant -> around.apply(grant.place()).forEach(part -> {
      Place here = snapshot.structure().places().get(grant.place());
      add(ties, How.SHARES, grant.sharedBy(), snapshot, part.people(), here, null);
      add(ties, grant.pass() == null ? How.SHARED_WITH : How.HAS_PASS, grant.subject() instanceof Subject.OfPerson ? grant.subject().id() : null, snapshot, part.people(), here, null);
    }));
    snapshot.structure().passes().values().stream().filter(pass -> !pass.period().endedBy(standing.with().instant())).forEach(pass -> around.apply(pass.place()).forEach(part -> {
      Place here = snapshot.structure().places().get(pass.place());
      add(ties, How.SHARES, pass.maker(), snapshot, part.people(), here, null);
      pass.audience().stream().filter(Subject.OfPerson.class::isInstance).forEach(person -> add(ties, How.HAS_PASS, person.id(), snapshot, part.people(), here, null));
    }));
  }

  private static void add(List<Tie> ties, How how, String person, Snapshot snapshot, PersonSet barred, Place place, Instant since) {
    int number = person == null ? -1 : snapshot.personNumber(person);
    if (number >= 0 && barred.contains(number)) {
      ties.add(new Tie(how, person, place.id(), since));
    }
  }

  private static int stranded(StandingWall standing, BitSet covered) {
    Snapshot with = standing.with().snapshot();
    Snapshot without = standing.without().snapshot();
    Map<Integer, Boolean> nobody = new HashMap<>();
    Map<Integer, Boolean> somebody = new HashMap<>();
    int count = 0;
    for (int place : covered.stream().toArray()) {
      if (with.isDocument(place) && nobody.computeIfAbsent(standing.with().classOf(place), any -> standing.with().holdersOf(Right.READ, place).isEmpty())) {
        int there = without.placeNumber(with.place(place).id());
        count += somebody.computeIfAbsent(standing.without().classOf(there), any -> !standing.without().holdersOf(Right.READ, there).isEmpty()) ? 1 : 0;
      }
    }
    return count;
  }
}
