package palegate.core.snapshot;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import palegate.core.collections.IdIndex;
import palegate.core.collections.Preorder;
import palegate.core.collections.Stretches;
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
  /** Is a document in any condition. */
  static final int CONDITIONS = 16;

  private final Place[] places;
  /** Places that are not any more what they were when they were numbered, and those that have come since. */
  private final Map<Integer, Place> replaced;
  private final DisplacedPlaces displaced;
  private final int count;
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

  private PlaceTree(Place[] places, Map<Integer, Place> replaced, DisplacedPlaces.Laid laid, short[] types, byte[] flags, IdIndex containers,
      int[] containerNumbers, AllPlaces all) {
    this.places = places;
    this.replaced = replaced;
    displaced = laid.displaced();
    parents = laid.parents();
    ends = laid.ends();
    this.types = types;
    this.flags = flags;
    this.containers = containers;
    this.containerNumbers = containerNumbers;
    this.all = all;
    count = parents.length == 0 ? 0 : sizeBelow(0);
  }

  /** Numbers all places of a sound structure; linear. */
  static PlaceTree of(Collection<Place> given, AllTypes allTypes) {
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
      types[number] = typeOf(rows[row], allTypes);
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
    return new PlaceTree(places, Map.of(), new DisplacedPlaces.Laid(DisplacedPlaces.NOTHING, parents, ends), types, flags, index, containerNumbers, new AllPlaces(places));
  }

  /**
   * The same tree after places have changed in what they carry, have come, moved or gone. Those that stay keep their
   * numbers, and those that come get new ones after all others.
   */
  PlaceTree with(Invalidation delta, Parts<Place> now, AllTypes allTypes) {
    if (delta.places.isEmpty()) {
      return this;
    }
    DisplacedPlaces.Laid laid = delta.laysOutAnew() ? displaced.with(delta, now, this) : new DisplacedPlaces.Laid(displaced, parents, ends);
    Map<Integer, Place> changes = new HashMap<>(replaced);
    short[] newTypes = Arrays.copyOf(types, laid.parents().length);
    byte[] newFlags = Arrays.copyOf(flags, laid.parents().length);
    for (String id : delta.places) {
      Integer come = laid.displaced().numbers().get(id);
      int number = come != null ? come : keptNumberOf(id);
      Place place = now.get(id);
      if (place != null) {
        changes.put(number, place);
      }
      newTypes[number] = place == null ? 0 : typeOf(place, allTypes);
      newFlags[number] = place == null ? 0 : flagsOf(place);
    }
    PlaceTree next = new PlaceTree(places, changes, laid, newTypes, newFlags, containers, containerNumbers, all);
    boolean readsAlike = !delta.laysOutAnew() && delta.places.stream().map(this::keptNumberOf).allMatch(number -> next.place(number).name().equals(place(number).name()));
    next.displayOrder = readsAlike ? displayOrder : null;
    return next;
  }

  /** What of it another does not share, in bytes; with the orders and counts that are made once they are asked for. */
  long bytesBeside(PlaceTree other) {
    long each = 0;
    each += parents == other.parents ? 0 : Integer.BYTES;
    each += ends == other.ends ? 0 : Integer.BYTES;
    each += types == other.types ? 0 : Short.BYTES;
    each += flags == other.flags ? 0 : Byte.BYTES;
    each += this == other || displayOrder != null && displayOrder == other.displayOrder ? 0 : 2 * Integer.BYTES;
    each += this == other ? 0 : Integer.BYTES;
    return each * room();
  }

  boolean hasRoomFor(Invalidation delta, Parts<Place> now) {
    return !delta.laysOutAnew() || count > 0 && displaced.hasRoomFor(delta, now);
  }

  /** The tops of what stands elsewhere than its numbers say, outer ones before those within. */
  int[] tops() {
    return displaced.tops();
  }

  /** Whether a place, and with it what follows below it, stands elsewhere than its number says, or has gone. */
  boolean isLifted(int place) {
    return displaced.lifted().get(place);
  }

  /** A place and everything below it, each after the one above it. O(what is there + what stands elsewhere than its numbers say). */
  IntStream below(int place) {
    int[] stretches = stretchesBelow(place);
    return stretches.length == 2 ? IntStream.range(stretches[0], stretches[1])
        : IntStream.range(0, stretches.length / 2).flatMap(i -> IntStream.range(stretches[2 * i], stretches[2 * i + 1]));
  }

  /** The documents of a type, by the type's number. */
  IntStream ofType(int type) {
    return IntStream.range(0, room()).filter(place -> types[place] == type + 1);
  }

  /** How many places {@link #below} has. */
  int sizeBelow(int place) {
    int[] stretches = stretchesBelow(place);
    int size = 0;
    for (int i = 0; i < stretches.length; i += 2) {
      size += stretches[i + 1] - stretches[i];
    }
    return size;
  }

  /** The same as stretches of numbers: where each begins, where it ends. */
  int[] stretchesBelow(int place) {
    if (displaced.lifted().isEmpty()) {
      return new int[] {place, ends[place]};
    }
    IntStream.Builder found = IntStream.builder();
    addStretches(place, found);
    for (int top : displaced.tops()) {
      if (isBelow(top, place)) {
        addStretches(top, found);
      }
    }
    return found.build().toArray();
  }

  private void addStretches(int from, IntStream.Builder found) {
    int start = from;
    for (int hole = displaced.lifted().nextSetBit(from + 1); hole >= 0 && hole < ends[from]; hole = displaced.lifted().nextSetBit(start)) {
      if (hole > start) {
        found.add(start).add(hole);
      }
      start = ends[hole];
    }
    if (start < ends[from]) {
      found.add(start).add(ends[from]);
    }
  }

  /** Whether a place stands somewhere below another. O(depth). */
  boolean isBelow(int place, int above) {
    for (int at = parents[place]; at >= 0; at = parents[at]) {
      if (at == above) {
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

  /** How many places stand above this one. O(depth). */
  int depth(int place) {
    int depth = 0;
    for (int at = parents[place]; at >= 0; at = parents[at]) {
      depth++;
    }
    return depth;
  }

  /** From the repository down to the place itself. */
  List<Integer> path(int place) {
    return Arrays.stream(way(place)).boxed().toList();
  }

  /** The names from the repository's children down, joined by " / "; the repository's own for itself. */
  String pathText(int place) {
    List<Integer> path = path(place);
    return path.size() == 1 ? place(place).name() : path.stream().skip(1).map(at -> place(at).name()).collect(Collectors.joining(" / "));
  }

  /** How many places below this one stand alone. O(1) once it has been asked. */
  int breaksBelow(int place) {
    int[] before = breaksBefore();
    int[] stretches = stretchesBelow(place);
    int breaks = before[place] - before[place + 1];
    for (int i = 0; i < stretches.length; i += 2) {
      breaks += before[stretches[i + 1]] - before[stretches[i]];
    }
    return breaks;
  }

  /** From the repository down to a place. */
  private int[] way(int place) {
    int depth = depth(place) + 1;
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
      known = new int[room() + 1];
      for (int at = 0; at < room(); at++) {
        known[at + 1] = known[at] + (is(at, STANDS_ALONE) ? 1 : 0);
      }
      breaksBefore = known;
    }
    return known;
  }

  /** Begins to make the index of all places, if nobody has. */
  void indexSoon() {
    all.indexSoon();
  }

  /** How many places there are. */
  int count() {
    return count;
  }

  /** So many numbers have been given: to these places, and to those that have gone. */
  int room() {
    return parents.length;
  }

  boolean exists(int number) {
    return number >= 0 && number < parents.length && parents[number] != DisplacedPlaces.GONE;
  }

  /** The number of the place with this id, or -1. */
  int numberOf(String id) {
    int number = keptNumberOf(id);
    return exists(number) ? number : -1;
  }

  /** The same, also for a place that has gone. */
  int keptNumberOf(String id) {
    Integer come = displaced.numbers().get(id);
    if (come != null) {
      return come;
    }
    int container = containers.numberOf(id);
    return container >= 0 ? containerNumbers[container] : all.index().numberOf(id);
  }

  /** Whether a place that comes was here once, and has gone. */
  boolean hasKeptNumberOf(Place place) {
    int number = keptNumberOf(place.id());
    return number >= 0 && place(number).kind() == place.kind();
  }

  boolean is(int place, int flag) {
    return (flags[place] & flag) != 0;
  }

  /** The numbers of the places directly below, in tree order. O(children). */
  List<Integer> children(int place) {
    List<Integer> children = new ArrayList<>();
    for (int child = place + 1; child < ends[place]; child = ends[child]) {
      if (!isLifted(child)) {
        children.add(child);
      }
    }
    children.addAll(displaced.topsBelow().getOrDefault(place, List.of()));
    return children;
  }

  /** The places whose name contains a text, in capitals or not, of some places only, and no more than one beyond so many; ascending. Linear in the names, which lie close together. */
  int[] named(String text, IntPredicate among, int atMost) {
    return NameSearch.in(all.names(), replaced, place -> exists(place) && among.test(place), text, atMost);
  }

  private static short typeOf(Place place, AllTypes allTypes) {
    return place.type() == null ? 0 : (short) (allTypes.numberOf(place.type()) + 1);
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
