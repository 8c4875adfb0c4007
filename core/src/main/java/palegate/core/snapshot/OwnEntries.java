package palegate.core.snapshot;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.structure.Structure;

/** The entries and appointments that stand at each place, by the place's number. */
final class OwnEntries {
  /** Grants first, each kind in order of its ids. */
  private record Own(List<Entry> entries, List<Oversight> oversights) {
    static final Own NOTHING = new Own(List.of(), List.of());
  }

  private final Map<Integer, Own> base;
  private final Map<Integer, Own> changed;
  /** Places at which anything stands. */
  final BitSet marked;

  private OwnEntries(Map<Integer, Own> base, Map<Integer, Own> changed, BitSet marked) {
    this.base = base;
    this.changed = changed;
    this.marked = marked;
  }

  static OwnEntries of(Structure structure, PlaceTree tree) {
    Map<Integer, Own> all = new HashMap<>();
    collect(all, structure.entries(), structure.oversights().values().stream(), tree);
    BitSet marked = new BitSet(tree.room());
    all.keySet().forEach(marked::set);
    return new OwnEntries(all, Map.of(), marked);
  }

  /** The same after the structure has changed; only the places at which anything has are looked at. */
  OwnEntries with(Invalidation delta, PlaceTree tree) {
    if (delta.entryPlaces().isEmpty()) {
      return this;
    }
    Set<Integer> places = delta.entryPlaces().stream().map(tree::keptNumberOf).collect(Collectors.toSet());
    Structure after = delta.difference.after();
    Set<String> grants = delta.difference.grants();
    Set<String> withholdings = delta.difference.withholdings();
    Set<String> appointments = delta.difference.oversights();
    List<Entry> entries = new ArrayList<>();
    List<Oversight> oversights = new ArrayList<>();
    for (int place : places) {
      entriesAt(place).stream().filter(entry -> !(entry instanceof Grant ? grants : withholdings).contains(entry.id())).forEach(entries::add);
      oversightsAt(place).stream().filter(oversight -> !appointments.contains(oversight.id())).forEach(oversights::add);
    }
    grants.stream().map(after.grants()::get).filter(Objects::nonNull).forEach(entries::add);
    withholdings.stream().map(after.withholdings()::get).filter(Objects::nonNull).forEach(entries::add);
    appointments.stream().map(after.oversights()::get).filter(Objects::nonNull).forEach(oversights::add);
    return with(places, entries.stream(), oversights.stream(), tree);
  }

  /** The same with the entries of some places looked up anew; {@code entries} are all that stand there. */
  private OwnEntries with(Set<Integer> places, Stream<Entry> entries, Stream<Oversight> oversights, PlaceTree tree) {
    Map<Integer, Own> now = new HashMap<>(changed);
    places.forEach(now::remove);
    Map<Integer, Own> fresh = new HashMap<>();
    collect(fresh, entries, oversights, tree);
    BitSet marks = (BitSet) marked.clone();
    for (int place : places) {
      now.put(place, fresh.getOrDefault(place, Own.NOTHING));
      marks.set(place, fresh.containsKey(place));
    }
    return new OwnEntries(base, now, marks);
  }

  List<Entry> entriesAt(int place) {
    return at(place).entries();
  }

  List<Oversight> oversightsAt(int place) {
    return at(place).oversights();
  }

  private Own at(int place) {
    if (!marked.get(place)) {
      return Own.NOTHING;
    }
    Own own = changed.get(place);
    return own != null ? own : base.get(place);
  }

  private static void collect(Map<Integer, Own> found, Stream<Entry> entries, Stream<Oversight> oversights, PlaceTree tree) {
    entries.forEach(entry -> own(found, tree.numberOf(entry.place())).entries().add(entry));
    oversights.forEach(oversight -> own(found, tree.numberOf(oversight.place())).oversights().add(oversight));
    Comparator<Entry> order = Comparator.comparing((Entry entry) -> entry instanceof palegate.core.access.Withholding)
        .thenComparing(Entry::id);
    found.values().forEach(own -> {
      if (own.entries().size() > 1) {
        own.entries().sort(order);
      }
      own.oversights().sort(Comparator.comparing(Oversight::id));
    });
  }

  private static Own own(Map<Integer, Own> found, int place) {
    return found.computeIfAbsent(place, any -> new Own(new ArrayList<>(2), new ArrayList<>(0)));
  }

  /** The entries that reach a place, dates and narrowing aside, those of the place itself first. */
  List<Entry> reaching(int place, PlaceTree tree) {
    List<Entry> reaching = new ArrayList<>();
    for (int at = place; at >= 0; at = tree.is(at, PlaceTree.STANDS_ALONE) ? -1 : tree.parents[at]) {
      reaching.addAll(entriesAt(at));
    }
    return reaching;
  }
}
