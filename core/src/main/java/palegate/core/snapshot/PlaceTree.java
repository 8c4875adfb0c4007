package palegate.core.snapshot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import palegate.core.places.Conditions;
import palegate.core.places.Guards;
import palegate.core.places.Place;
import palegate.core.structure.Parts;

/**
 * The places numbered so that everything below a place follows it directly: containers before
 * documents, each in the order in which they were given. What is asked of every place when classes
 * are made lies in arrays, in that order.
 */
final class PlaceTree {
  static final int DOCUMENT = 1;
  static final int STANDS_ALONE = 2;
  /** Has a ceiling or house rules of its own. */
  static final int GUARDS = 4;
  /** Has labels of its own. */
  static final int LABELS = 8;
  /** So many places may come before all are numbered anew. */
  private static final int MAY_COME = 1_000;
  /** Is a document in any condition. */
  static final int CONDITIONS = 16;

  private final Place[] places;
  /** Places that are not any more what they were when they were numbered, and those that have come since. */
  private final Map<Integer, Place> replaced;
  private final PlacesCome come;
  final int[] parents;
  final int[] ends;
  /** One more than the type's number, 0 for places without a type. */
  final short[] types;
  private final byte[] flags;
  /** Containers are looked up all the time, and are few: they have an index of their own. */
  private final IdIndex containers;
  private final int[] containerNumbers;
  /** The index of all places. Nothing but questions needs it, so it is made after everything else, aside. */
  private final AllPlaces all;
  private volatile DisplayOrder displayOrder;
  private volatile int[] breaksBefore;

  private PlaceTree(Place[] places, Map<Integer, Place> replaced, PlacesCome come, int[] parents, int[] ends, short[] types, byte[] flags, IdIndex containers,
      int[] containerNumbers, AllPlaces all) {
    this.places = places;
    this.replaced = replaced;
    this.come = come;
    this.parents = parents;
    this.ends = ends;
    this.types = types;
    this.flags = flags;
    this.containers = containers;
    this.containerNumbers = containerNumbers;
    this.all = all;
  }

  /** Numbers all places of a sound structure; linear. */
  static PlaceTree of(Collection<Place> given, Map<String, Integer> typeNumbers) {
    Place[] rows = given.toArray(Place[]::new);
    int count = rows.length;
    int[] containerRows = new int[count];
    boolean[] isContainer = new boolean[count];
    int containers = 0;
    for (int row = 0; row < count; row++) {
      isContainer[row] = rows[row].kind().isContainer();
      if (isContainer[row]) {
        containerRows[containers++] = row;
      }
    }
    String[] containerIds = new String[containers];
    for (int i = 0; i < containers; i++) {
      containerIds[i] = rows[containerRows[i]].id();
    }
    IdIndex index = new IdIndex(containerIds);
    int[] parentRows = new int[count];
    Stretches.each(count, row -> parentRows[row] = rows[row].parent() == null ? -1 : containerRows[index.numberOf(rows[row].parent())]);
    int[] order = Preorder.of(isContainer, parentRows);
    int[] numberOfRow = new int[count];
    for (int number = 0; number < count; number++) {
      numberOfRow[order[number]] = number;
    }
    Place[] places = new Place[count];
    int[] parents = new int[count];
    short[] types = new short[count];
    byte[] flags = new byte[count];
    Stretches.each(count, row -> {
      // In the order in which the rows lie in memory: each is touched once.
      int number = numberOfRow[row];
      places[number] = rows[row];
      parents[number] = parentRows[row] < 0 ? -1 : numberOfRow[parentRows[row]];
      types[number] = typeOf(rows[row], typeNumbers);
      flags[number] = flagsOf(rows[row]);
    });
    int[] ends = new int[count];
    for (int number = count - 1; number >= 0; number--) {
      ends[number] = Math.max(ends[number], number + 1);
      if (parents[number] >= 0) {
        ends[parents[number]] = Math.max(ends[parents[number]], ends[number]);
      }
    }
    int[] containerNumbers = new int[containers];
    for (int i = 0; i < containers; i++) {
      containerNumbers[i] = numberOfRow[containerRows[i]];
    }
    return new PlaceTree(places, Map.of(), PlacesCome.NOTHING, parents, ends, types, flags, index, containerNumbers, new AllPlaces(places));
  }

  /**
   * The same tree in which some places have changed in what they carry but stand where they stood, and some have come.
   * The ones that have come are numbered after all others, so that those keep their numbers.
   */
  PlaceTree with(Set<String> changed, Set<String> added, Parts<Place> now, Map<String, Integer> typeNumbers) {
    if (changed.isEmpty()) {
      return this;
    }
    PlacesCome more = added.isEmpty() ? come : come.with(added.stream().map(now::get).toList(), this);
    int count = count() + added.size();
    int[] newParents = added.isEmpty() ? parents : Arrays.copyOf(parents, count);
    int[] newEnds = added.isEmpty() ? ends : Arrays.copyOf(ends, count);
    added.forEach(id -> {
      int number = more.numbers().get(id);
      newParents[number] = more.numberOf(now.get(id).parent(), this);
      newEnds[number] = more.ends().get(number);
    });
    Map<Integer, Place> changes = new HashMap<>(replaced);
    short[] newTypes = Arrays.copyOf(types, count);
    byte[] newFlags = Arrays.copyOf(flags, count);
    for (String id : changed) {
      int number = more.numberOf(id, this);
      Place place = now.get(id);
      changes.put(number, place);
      newTypes[number] = typeOf(place, typeNumbers);
      newFlags[number] = flagsOf(place);
    }
    return new PlaceTree(places, changes, more, newParents, newEnds, newTypes, newFlags, containers, containerNumbers, all);
  }

  /** Whether so many places may come without being numbered in order: each of them makes walking the tree a little dearer. */
  boolean hasRoomFor(Set<String> added) {
    return added.isEmpty() || count() > 0 && come.numbers().size() + added.size() <= MAY_COME;
  }

  /** Whether every place stands where its number says: nothing has come since the places were numbered. */
  boolean isInOrder() {
    return come.numbers().isEmpty();
  }

  /** The tops of what has come since the places were numbered, ascending. */
  int[] comeSince() {
    return come.tops();
  }

  /** A place and everything below it. O(what is there + what has come since the places were numbered). */
  IntStream below(int place) {
    IntStream here = IntStream.range(place, ends[place]);
    for (int top : come.tops()) {
      if (isBelow(top, place)) {
        here = IntStream.concat(here, IntStream.range(top, ends[top]));
      }
    }
    return here;
  }

  /** Whether a place stands somewhere below another. O(depth). */
  boolean isBelow(int top, int place) {
    for (int at = parents[top]; at >= place; at = parents[at]) {
      if (at == place) {
        return true;
      }
    }
    return false;
  }

  Place place(int number) {
    Place changed = replaced.isEmpty() ? null : replaced.get(number);
    return changed == null ? places[number] : changed;
  }

  /** The order in which people read the tree; worked out when it is first asked for. O(places log children). */
  DisplayOrder displayOrder() {
    DisplayOrder known = displayOrder;
    if (known == null) {
      known = new DisplayOrder(this);
      displayOrder = known;
    }
    return known;
  }

  /** By the whole order if it is known anyway, by the ways down to both places if not. */
  Comparator<Integer> inTreeOrder() {
    DisplayOrder known = displayOrder;
    return known != null ? Comparator.comparing(place -> known.ranks[place]) : this::compareWays;
  }

  private int compareWays(int one, int other) {
    int[] wayToOne = way(one);
    int[] wayToOther = way(other);
    int shared = Math.min(wayToOne.length, wayToOther.length);
    for (int i = 0; i < shared; i++) {
      if (wayToOne[i] != wayToOther[i]) {
        return DisplayOrder.BY_KIND_AND_NAME.compare(place(wayToOne[i]), place(wayToOther[i]));
      }
    }
    return Integer.compare(wayToOne.length, wayToOther.length);
  }

  /** From the repository down to a place. */
  private int[] way(int place) {
    int depth = 0;
    for (int at = place; at >= 0; at = parents[at]) {
      depth++;
    }
    int[] way = new int[depth];
    for (int at = place; at >= 0; at = parents[at]) {
      way[--depth] = at;
    }
    return way;
  }

  /** For each number how many places with lower ones stand alone. */
  int[] breaksBefore() {
    int[] known = breaksBefore;
    if (known == null) {
      known = new int[count() + 1];
      for (int at = 0; at < count(); at++) {
        known[at + 1] = known[at] + (is(at, STANDS_ALONE) ? 1 : 0);
      }
      breaksBefore = known;
    }
    return known;
  }

  /** Begins to make the index of all places, if nobody has. */
  void indexSoon() {
    all.begin();
  }

  int count() {
    return parents.length;
  }

  /** The number of the place with this id, or -1. */
  int numberOf(String id) {
    Integer added = come.numbers().get(id);
    if (added != null) {
      return added;
    }
    int container = containers.numberOf(id);
    return container >= 0 ? containerNumbers[container] : all.index().numberOf(id);
  }

  boolean is(int place, int flag) {
    return (flags[place] & flag) != 0;
  }

  /** The numbers of the places directly below, in tree order. O(children). */
  List<Integer> children(int place) {
    List<Integer> children = new ArrayList<>();
    for (int child = place + 1; child < ends[place]; child = ends[child]) {
      children.add(child);
    }
    children.addAll(come.topsBelow().getOrDefault(place, List.of()));
    return children;
  }

  /** The places whose name contains a text, in capitals or not; ascending. Linear in the names, which lie close together. */
  int[] named(String text) {
    IntStream.Builder found = IntStream.builder();
    String wanted = text.toLowerCase(Locale.ROOT);
    all.names().find(text, place -> {
      if (!replaced.containsKey(place)) {
        found.add(place);
      }
    });
    replaced.forEach((place, now) -> {
      if (now.name().toLowerCase(Locale.ROOT).contains(wanted)) {
        found.add(place);
      }
    });
    return found.build().sorted().toArray();
  }

  private static short typeOf(Place place, Map<String, Integer> typeNumbers) {
    return place.type() == null ? 0 : (short) (typeNumbers.get(place.type()) + 1);
  }

  private static byte flagsOf(Place place) {
    int flags = place.isDocument() ? DOCUMENT : 0;
    flags |= place.standsAlone() ? STANDS_ALONE : 0;
    flags |= place.guards() != Guards.NONE && place.guards().any() ? GUARDS : 0;
    flags |= place.labels().isEmpty() ? 0 : LABELS;
    flags |= place.conditions() != Conditions.NONE && place.conditions().any() ? CONDITIONS : 0;
    return (byte) flags;
  }
}
