package palegate.core.wallsatwork;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.questions.WallCoverage;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/**
 * Whom a wall bars from what, read from its definition alone and not from what the engine keeps of it (section 7): active people,
 * whether the wall stands or is only planned.
 *
 * @param side the name of the side whose papers these are; null for a wall of one scope
 * @param people everyone active who is barred from all of the places
 * @param places numbers of places of every kind; do not alter it
 */
public record Barring(String side, PersonSet people, BitSet places) {

  /** One for each scope of the wall. O(places + subjects × people / 64). */
  public static List<Barring> of(SnapshotAt moment, Wall wall) {
    return of(moment, wall, scope -> WallCoverage.covered(moment.snapshot(), scope));
  }

  /** The same where only the people are asked about: without any place. O(subjects × people / 64). */
  public static List<Barring> ofPeople(SnapshotAt moment, Wall wall) {
    return of(moment, wall, null);
  }

  /** @param covering the places of a scope; null if none are asked for */
  private static List<Barring> of(SnapshotAt moment, Wall wall, Function<Scope, BitSet> covering) {
    Function<Scope, BitSet> places = covering == null ? any -> new BitSet() : covering;
    Snapshot snapshot = moment.snapshot();
    PersonSet free = moment.matchingAny(wall.exceptions().stream().filter(one -> one.currentAt(moment.instant())).map(Wall.Exempt::subject).toList());
    if (wall.barrier() instanceof Barrier.Sides sides) {
      return ofSides(moment, sides, free, places);
    }
    BitSet covered = places.apply(wall.barrier().scopes().get(0));
    PersonSet named = moment.matchingAny(wall.barrier().subjects());
    if (wall.barrier() instanceof Barrier.Confine) {
      BitSet outside = new BitSet();
      if (covering != null) {
        snapshot.places().forEach(outside::set);
        outside.andNot(covered);
      }
      return List.of(new Barring(null, moment.active().and(named).minus(free), outside));
    }
    PersonSet barred = wall.barrier() instanceof Barrier.Seal ? moment.active().minus(named) : moment.active().and(named);
    return List.of(new Barring(null, barred.minus(free), covered));
  }

  private static List<Barring> ofSides(SnapshotAt moment, Barrier.Sides sides, PersonSet free, Function<Scope, BitSet> places) {
    List<PersonSet> onSide = sides.sides().stream().map(Barrier.Side::subjects).map((List<Subject> named) -> moment.matchingAny(named)).toList();
    PersonSet once = PersonSet.NOBODY;
    PersonSet twice = PersonSet.NOBODY;
    for (PersonSet side : onSide) {
      twice = twice.or(once.and(side));
      once = once.or(side);
    }
    List<Barring> barrings = new ArrayList<>();
    for (int i = 0; i < onSide.size(); i++) {
      // Whoever is on this side alone is at home here; whoever is on another as well is barred here too.
      PersonSet athome = onSide.get(i).minus(twice);
      barrings.add(new Barring(sides.sides().get(i).name(), once.minus(athome).minus(free).and(moment.active()), places.apply(sides.sides().get(i).scope())));
    }
    return barrings;
  }

  /** Everyone barred from anything at all. */
  public static PersonSet people(List<Barring> barrings) {
    return barrings.stream().filter(barring -> !barring.places().isEmpty()).map(Barring::people).reduce(PersonSet.NOBODY, PersonSet::or);
  }

  /** Every place that anybody is barred from, or would be if anybody were named: the joint scopes, or what lies outside a confinement. */
  public static BitSet places(List<Barring> barrings) {
    BitSet all = new BitSet();
    barrings.forEach(barring -> all.or(barring.places()));
    return all;
  }

  /** How many pairs of a person and a place are barred, each counted once, whatever the number of scopes that it lies in. */
  public static long pairs(List<Barring> barrings) {
    return disjoint(barrings).stream().mapToLong(barring -> (long) barring.people().size() * barring.places().cardinality()).sum();
  }

  /** The same pairs, in parts of which no two have a place in common. O(places + sets of scopes that overlap). */
  public static List<Barring> disjoint(List<Barring> barrings) {
    if (barrings.size() == 1) {
      return barrings;
    }
    Map<BitSet, BitSet> placesOf = new HashMap<>();
    places(barrings).stream().forEach(place -> {
      BitSet in = new BitSet();
      for (int i = 0; i < barrings.size(); i++) {
        in.set(i, barrings.get(i).places().get(place));
      }
      placesOf.computeIfAbsent(in, any -> new BitSet()).set(place);
    });
    List<Barring> parts = new ArrayList<>();
    placesOf.forEach((in, places) -> parts.add(
        new Barring(null, in.stream().mapToObj(i -> barrings.get(i).people()).reduce(PersonSet.NOBODY, PersonSet::or), places)));
    return parts;
  }
}
