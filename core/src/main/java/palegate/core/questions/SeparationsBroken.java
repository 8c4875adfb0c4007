package palegate.core.questions;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.IntStream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.collections.PersonSet;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Subject;
import palegate.core.roles.Right;
import palegate.core.separations.Separation;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/**
 * Who holds together what separations keep apart (section 13). A side is held by whoever holds any one of what it names: a role, if a grant of
 * it that is theirs reaches the place and no wall bars them; a right, if it is among their standing rights there; a group they are in; a duty
 * that covers the place. Whoever holds two sides, or more, breaks it: at one place, or anywhere.
 */
public final class SeparationsBroken {
  /**
   * Somebody who breaks one.
   *
   * @param separation the id
   * @param person the id
   * @param sides by their position, from 0
   * @param place the id of the first place, in tree order, at which they hold them together; null where it is not about one place
   * @param places at how many places they do; 0 where it is not about places
   */
  public record Broken(String separation, String person, List<Integer> sides, String place, int places) {
    public Broken {
      sides = List.copyOf(sides);
    }
  }

  private static final int SORTED_AT_MOST = 5_000;

  private record Key(String separation, String person) {}

  private final Snapshot of;
  private final Map<Key, Broken> broken = new LinkedHashMap<>();
  private final Map<Key, BitSet> where = new HashMap<>();

  private SeparationsBroken(Snapshot of) {
    this.of = of;
  }

  /**
   * O(access classes × entries that reach them + places) a separation about places; where duties of places or roles with the same rights count,
   * O(places × entries that reach them).
   */
  public static SeparationsBroken of(SnapshotAt moment) {
    SeparationsBroken found = new SeparationsBroken(moment.snapshot());
    moment.snapshot().structure().separations().values().stream().sorted(Comparator.comparing(Separation::name).thenComparing(Separation::id))
        .forEach(separation -> new Search(moment, separation).people().forEach(found::add));
    return found;
  }

  /** By the separation's name, then by person's. */
  public List<Broken> all() {
    return List.copyOf(broken.values());
  }

  /** Those of them that were not so before: of other people, with other sides, or at other places. */
  public List<Broken> since(SeparationsBroken before) {
    return broken.entrySet().stream().filter(one -> {
      Broken was = before.broken.get(one.getKey());
      return was == null || !was.sides().containsAll(one.getValue().sides()) || where.get(one.getKey()).stream().anyMatch(place -> !before.had(one.getKey(), of.place(place).id()));
    }).map(Map.Entry::getValue).toList();
  }

  private boolean had(Key key, String place) {
    int number = of.placeNumber(place);
    return number >= 0 && where.get(key).get(number);
  }

  private void add(Map.Entry<Broken, BitSet> one) {
    Key key = new Key(one.getKey().separation(), one.getKey().person());
    broken.put(key, one.getKey());
    where.put(key, one.getValue());
  }

  /** The people whom one names at any place or anywhere, with where. */
  private static final class Search {
    private final SnapshotAt moment;
    private final Snapshot snapshot;
    private final Separation separation;
    private final Map<Integer, Found> byPerson = new TreeMap<>();

    /** A type that makes no difference to rights makes no other class; to a side that is narrowed to types it does. */
    private record Seen(int ofClass, String type) {}

    private static final class Found {
      final BitSet sides = new BitSet();
      final BitSet places = new BitSet();
    }

    Search(SnapshotAt moment, Separation separation) {
      this.moment = moment;
      this.separation = separation;
      snapshot = moment.snapshot();
    }

    List<Map.Entry<Broken, BitSet>> people() {
      boolean atPlaces = separation.sides().stream().anyMatch(Separation.Side::atPlaces) || separation.sides().stream().anyMatch(side -> side.duties().stream().anyMatch(duty -> duty.scope() == Duty.ScopeKind.PLACE));
      if (separation.within() == Separation.Within.PLACE && atPlaces) {
        placeByPlace();
      } else {
        anywhere();
      }
      List<Map.Entry<Broken, BitSet>> found = new ArrayList<>();
      byPerson.forEach((person, holds) -> found.add(Map.entry(new Broken(separation.id(), snapshot.person(person).id(), holds.sides.stream().boxed().toList(),
          holds.places.isEmpty() ? null : snapshot.place(first(holds.places)).id(), holds.places.cardinality()), holds.places)));
      found.sort(Comparator.comparing((Map.Entry<Broken, BitSet> one) -> snapshot.structure().people().get(one.getKey().person()).name()).thenComparing(one -> one.getKey().person()));
      return found;
    }

    /** All places of a class are alike but for which role gives the same rights, and for duties of places: where these count, each place is looked at. */
    private void placeByPlace() {
      boolean each = separation.sides().stream().anyMatch(side -> side.duties().stream().anyMatch(duty -> duty.scope() == Duty.ScopeKind.PLACE)) || namesOneOfTwins();
      boolean types = separation.sides().stream().anyMatch(side -> !side.types().isEmpty());
      Map<Seen, Held> byClass = new HashMap<>();
      snapshot.places().forEach(place -> {
        Held held = each ? heldAt(place) : byClass.computeIfAbsent(new Seen(moment.classOf(place), types ? snapshot.place(place).type() : null), any -> heldAt(place));
        for (int person : held.twice()) {
          Found found = byPerson.computeIfAbsent(person, any -> new Found());
          found.places.set(place);
          note(found, held.sides(), person);
        }
      });
    }

    /** Who holds each side at a place, and who holds two of them or more. */
    private record Held(List<PersonSet> sides, int[] twice) {}

    private Held heldAt(int place) {
      List<PersonSet> sides = sidesAt(place);
      return new Held(sides, twice(sides).toArray());
    }

    /** In tree order; of very many just one of them. */
    private int first(BitSet places) {
      return places.cardinality() > SORTED_AT_MOST ? places.nextSetBit(0) : places.stream().boxed().min(snapshot.inTreeOrder()).orElseThrow();
    }

    /** Whether a role that it names has the same rights as another one. */
    private boolean namesOneOfTwins() {
      Set<String> named = new HashSet<>();
      separation.sides().forEach(side -> named.addAll(side.roles()));
      return named.stream().map(snapshot.structure().roles()::get).anyMatch(role -> snapshot.structure().roles().values().stream().anyMatch(other -> !other.id().equals(role.id()) && other.rights().equals(role.rights())));
    }

    private void anywhere() {
      List<PersonSet> sides = new ArrayList<>();
      for (Separation.Side side : separation.sides()) {
        PersonSet holding = side.atPlaces() ? holdingSomewhere(side) : PersonSet.NOBODY;
        sides.add(holding.or(holdingGroups(side)).or(holdingDuties(side, -1)).and(moment.active()));
      }
      twice(sides).forEach(person -> note(byPerson.computeIfAbsent(person, any -> new Found()), sides, person));
    }

    private PersonSet holdingSomewhere(Separation.Side side) {
      PersonSet holding = PersonSet.NOBODY;
      boolean twins = namesOneOfTwins();
      Set<Seen> looked = new HashSet<>();
      for (int place : snapshot.places().toArray()) {
        holding = twins || looked.add(new Seen(moment.classOf(place), side.types().isEmpty() ? null : snapshot.place(place).type())) ? holding.or(holdingAt(side, place)) : holding;
      }
      return holding;
    }

    private List<PersonSet> sidesAt(int place) {
      return separation.sides().stream().map(side -> holdingAt(side, place).or(holdingGroups(side)).or(holdingDuties(side, place)).and(moment.active())).toList();
    }

    /** What hangs on the place: roles and rights, where its type is one that the side is narrowed to. */
    private PersonSet holdingAt(Separation.Side side, int place) {
      String type = snapshot.place(place).type();
      PersonSet holding = PersonSet.NOBODY;
      if (!side.types().isEmpty() && (type == null || !side.types().contains(type))) {
        return holding;
      }
      if (!side.roles().isEmpty()) {
        for (Entry entry : snapshot.reachingEntries(place)) {
          if (entry instanceof Grant grant && side.roles().contains(grant.role()) && grant.period().holdsAt(moment.instant()) && grant.touches(type)) {
            holding = holding.or(moment.matching(grant.subject()));
          }
        }
        holding = holding.minus(moment.walls().barredFrom(place));
      }
      for (Right right : side.rights().list()) {
        holding = holding.or(moment.holdersOf(right, place));
      }
      return holding;
    }

    private PersonSet holdingGroups(Separation.Side side) {
      PersonSet holding = PersonSet.NOBODY;
      for (String group : side.groups()) {
        holding = snapshot.structure().groups().containsKey(group) ? holding.or(moment.matching(new Subject.OfGroup(group))) : holding;
      }
      return holding;
    }

    /** @param place at which a duty of places must cover; -1 for anywhere */
    private PersonSet holdingDuties(Separation.Side side, int place) {
      PersonSet holding = PersonSet.NOBODY;
      if (!side.duties().isEmpty()) {
        for (DutyAssignment given : snapshot.structure().duties().values()) {
          boolean covers = place < 0 || given.place() == null || snapshot.path(place).stream().anyMatch(above -> snapshot.place(above).id().equals(given.place()));
          holding = side.duties().contains(given.duty()) && given.period().holdsAt(moment.instant()) && covers ? holding.or(moment.matching(given.subject())) : holding;
        }
      }
      return holding;
    }

    private static PersonSet twice(List<PersonSet> sides) {
      PersonSet once = PersonSet.NOBODY;
      PersonSet twice = PersonSet.NOBODY;
      for (PersonSet side : sides) {
        twice = twice.or(once.and(side));
        once = once.or(side);
      }
      return twice;
    }

    private static void note(Found found, List<PersonSet> sides, int person) {
      IntStream.range(0, sides.size()).filter(side -> sides.get(side).contains(person)).forEach(found.sides::set);
    }
  }
}
