package palegate.core.snapshot;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.places.Guards;
import palegate.core.places.Place;
import palegate.core.roles.Rights;

/**
 * Sorts the places of a snapshot into access classes at one instant: places of one class give
 * everyone the same standing rights.
 *
 * <p>Top down, by content: what reaches a place (entries as a <em>set</em> of meanings, so that the same
 * said twice or at different heights is the same), its ceilings, house rules, oversights and the facts
 * that walls ask about form its <em>environment</em>; an environment seen by one document type is a class,
 * with narrowed entries filtered so that equal sets merge. A place that adds nothing costs one read.
 *
 * <p>Conditions and owners stay out: they are for few documents, and would tear classes apart.
 */
final class Classes {
  /** A stretch of numbers whose places were sorted anew. */
  record Range(int from, int until) {}

  /**
   * What a class was made of.
   *
   * @param narrowed the lines of entries narrowed to its type: how many of them give, those, then those that take
   */
  private record Origin(int environment, int[] narrowed) {}

  private static final int[] NO_NUMBERS = {};
  /** The class of a place that has not been sorted yet, or that has gone. */
  static final int NONE = -1;

  private final Snapshot snapshot;
  private final Instant instant;
  private final Matching matching;
  final Barriers barriers;
  final Clearances clearances;
  /** The classes that these extend, or null. */
  final Classes basis;
  private final Meanings meanings;
  private final Interner contexts;
  private final Interner environments;
  private final Interner wallSets;
  private final Interner rows;
  /** By environment: the one it was first made from, then the meanings that it adds to it. */
  private final List<int[]> additions = new ArrayList<>();
  /** By class: an environment that it was first made of, and the lines of narrowed entries among its own. */
  private final List<Origin> origins = new ArrayList<>();
  /** Environment × type → class; for an extension only what the basis does not know. */
  private final List<int[]> known = new ArrayList<>();
  private final Map<Long, Integer> knownHere = new HashMap<>();
  private final Map<Long, Integer> wallSetByContext = new HashMap<>();
  private final BitSet staleTypes = new BitSet();
  private final BitSet staleContexts = new BitSet();
  final IntPages ofPlace;
  private final IntPages environmentOfPlace;
  private final IntPages placesIn;
  private final IntPages documentsIn;
  final List<Range> sorted = new ArrayList<>();

  Classes(Snapshot snapshot, Instant instant, Matching matching) {
    this.snapshot = snapshot;
    this.instant = instant;
    this.matching = matching;
    basis = null;
    barriers = Barriers.of(snapshot, instant, matching);
    meanings = Meanings.of(snapshot, matching.subjects);
    contexts = new Interner();
    environments = new Interner();
    wallSets = new Interner();
    rows = new Interner();
    wallSets.intern(NO_NUMBERS);
    clearances = Clearances.of(snapshot, instant, matching);
    int count = snapshot.placeRoom();
    ofPlace = new IntPages(count);
    environmentOfPlace = new IntPages(count);
    placesIn = new IntPages(0);
    documentsIn = new IntPages(0);
    environmentNumber(EnvironmentRow.of(Rights.ALL.mask(), contexts.intern(NO_NUMBERS), NO_NUMBERS, NO_NUMBERS), 0, NO_NUMBERS);
    leaveOut(0);
    snapshot.places().forEach(place -> {
      int environment = environmentAt(place);
      environmentOfPlace.set(place, environment);
      move(place, classNumber(environment, snapshot.typeAt(place)));
    });
    sorted.add(new Range(0, count));
  }

  /**
   * The classes of a snapshot that differs from the basis's in the way given. Numbers keep their
   * meaning: a class that both have has the same number in both.
   */
  Classes(Classes basis, Snapshot snapshot, Instant instant, Matching matching, Barriers barriers, Delta delta) {
    this.snapshot = snapshot;
    this.instant = instant;
    this.matching = matching;
    this.basis = basis;
    this.barriers = barriers;
    meanings = basis.meanings.layer(snapshot);
    contexts = basis.contexts.layer();
    environments = basis.environments.layer();
    wallSets = basis.wallSets.layer();
    rows = basis.rows.layer();
    clearances = Clearances.of(snapshot, instant, matching);
    placesIn = basis.placesIn.copy();
    documentsIn = basis.documentsIn.copy();
    findStale();
    BitSet touched = delta.touchedPlaces(snapshot);
    touched.or(barriers.newlyAskedSince(basis.barriers));
    if (touched.isEmpty() && delta.placesGone.isEmpty() && staleTypes.isEmpty() && staleContexts.isEmpty()) {
      ofPlace = basis.ofPlace;
      environmentOfPlace = basis.environmentOfPlace;
      return;
    }
    ofPlace = basis.ofPlace.copy();
    environmentOfPlace = basis.environmentOfPlace.copy();
    leaveOut(basis.snapshot.placeRoom());
    delta.placesGone.stream().mapToInt(basis.snapshot::placeNumber).forEach(this::leave);
    PlaceTree tree = snapshot.tree();
    IntStream.of(tree.tops()).forEach(touched::set);
    if (snapshot.placeCount() > 0) {
      sortStretch(0, touched);
      // Whatever stands elsewhere than its number says comes after what is above it.
      IntStream.of(tree.tops()).forEach(top -> sortStretch(top, touched));
      joinRanges();
    }
    sortStale();
  }

  private Classes(Classes extension, Snapshot detached) {
    snapshot = detached;
    instant = extension.instant;
    matching = extension.matching;
    barriers = extension.barriers;
    basis = null;
    meanings = extension.meanings.flattened(detached);
    contexts = extension.contexts.flattened();
    environments = extension.environments.flattened();
    wallSets = extension.wallSets.flattened();
    rows = extension.rows.flattened();
    clearances = extension.clearances;
    ofPlace = extension.ofPlace;
    environmentOfPlace = extension.environmentOfPlace;
    placesIn = extension.placesIn;
    documentsIn = extension.documentsIn;
    for (int environment = 0; environment < environments.count(); environment++) {
      additions.add(extension.addition(environment));
      known.add(extension.knownClasses(environment));
    }
    for (int number = 0; number < rows.count(); number++) {
      origins.add(extension.origin(number));
    }
    sorted.add(new Range(0, snapshot.placeRoom()));
  }

  /** The same without a basis, for keeping. Sorted afresh once so much has come and gone that most classes are empty. */
  Classes detached(Snapshot snapshot) {
    int live = 0;
    for (int number = 0; number < count(); number++) {
      live += placesIn(number) > 0 ? 1 : 0;
    }
    return live * 2 < count() - 1_000 ? new Classes(snapshot, instant, matching) : new Classes(this, snapshot);
  }

  /** The classes of an environment by type, -1 where none is known; null if no type is known. */
  private int[] knownClasses(int environment) {
    int[] classes = null;
    for (int type = 0; type <= snapshot.typeRoom(); type++) {
      int number = knownClass(environment, type);
      if (number >= 0) {
        if (classes == null) {
          classes = new int[snapshot.typeRoom() + 1];
          Arrays.fill(classes, -1);
        }
        classes[type] = number;
      }
    }
    return classes;
  }

  int count() {
    return rows.count();
  }

  int[] row(int number) {
    return rows.row(number);
  }

  int[] wallSet(int number) {
    return wallSets.row(number);
  }

  int wallSetCount() {
    return wallSets.count();
  }

  int placesIn(int number) {
    return placesIn.getOrZero(number);
  }

  int documentsIn(int number) {
    return documentsIn.getOrZero(number);
  }

  int environmentCount() {
    return environments.count();
  }

  /** Whether these are the other classes, or extend them. */
  boolean extend(Classes other) {
    Classes at = this;
    while (at != null && at != other) {
      at = at.basis;
    }
    return at != null;
  }

  /** The environment that another was first made from; its meanings are among those of the other unless a break stopped them. */
  int originOf(int environment) {
    return addition(environment)[0];
  }

  /** The lines of the un-narrowed entries that an environment adds to its origin: those that give, or those that take. */
  int[] ownLines(int environment, boolean takes) {
    return meanings.unnarrowedLines(addition(environment), takes);
  }

  /** The row of a document of this type imagined directly below a container; {@code type} is one more than its number. */
  int[] rowOfImagined(int container, int type) {
    return classRow(environments.row(environmentOfPlace.get(container)), type, false);
  }

  /** The row of a place's class as it would be if one of the entries that reach the place did not stand there. */
  int[] rowWithout(int place, Entry gone) {
    String type = snapshot.place(place).type();
    List<Entry> left = snapshot.reachingEntries(place).stream()
        .filter(entry -> entry != gone && entry.period().holdsAt(instant) && entry.touches(type)).toList();
    return ClassRow.withLines(rows.row(ofPlace.get(place)), lines(left, true), lines(left, false));
  }

  /** The row of a place's class as it would be if the place followed its parent and had no list of its own. */
  int[] rowIfFollowing(int place) {
    int[] above = environments.row(environmentOfPlace.get(snapshot.parent(place)));
    int type = snapshot.typeAt(place);
    return ClassRow.withLines(rows.row(ofPlace.get(place)), meanings.lines(above, type, true), meanings.lines(above, type, false));
  }

  private int[] lines(List<Entry> entries, boolean grants) {
    return ClassRow.lines(entries.stream().filter(entry -> entry instanceof Grant == grants)
        .mapToLong(entry -> ClassRow.pending(matching.subjects.numberOf(entry.subject()), snapshot.rightsOf(entry).mask())).toArray());
  }

  /** The reaches of walls that would bar somebody from such a document. */
  int[] coveringImagined(int container, int type) {
    return barriers.covering(contexts.row(context(environmentOfPlace.get(container))), type);
  }

  /** Gives no class to the places from a number on, until they are sorted. */
  private void leaveOut(int from) {
    for (int place = from; place < snapshot.placeRoom(); place++) {
      ofPlace.set(place, NONE);
      environmentOfPlace.set(place, NONE);
    }
  }

  private void leave(int place) {
    tally(ofPlace.get(place), basis.snapshot.isDocument(place), -1);
    ofPlace.set(place, NONE);
    environmentOfPlace.set(place, NONE);
    sorted.add(new Range(place, place + 1));
  }

  /** Sorts what was touched in the stretch of numbers of a place, and what that alters below it; not what stands elsewhere now. */
  private void sortStretch(int top, BitSet touched) {
    PlaceTree tree = snapshot.tree();
    int from = touched.nextSetBit(top);
    while (from >= 0 && from < tree.ends[top]) {
      int until = tree.ends[from];
      if (from == top || !tree.isLifted(from)) {
        sortBelow(from, touched);
        sorted.add(new Range(from, until));
      }
      from = touched.nextSetBit(until);
    }
  }

  /** A stretch may lie within another: each number is to be in one range. */
  private void joinRanges() {
    List<Range> found = sorted.stream().sorted(Comparator.comparingInt(Range::from)).toList();
    sorted.clear();
    for (Range range : found) {
      Range last = sorted.isEmpty() ? null : sorted.get(sorted.size() - 1);
      if (last != null && range.from() < last.until()) {
        sorted.set(sorted.size() - 1, new Range(last.from(), Math.max(last.until(), range.until())));
      } else {
        sorted.add(range);
      }
    }
  }

  private void sortBelow(int from, BitSet touched) {
    PlaceTree tree = snapshot.tree();
    int place = from;
    while (place < tree.ends[from]) {
      int end = tree.ends[place];
      if (place != from && tree.isLifted(place)) {
        place = end;
        continue;
      }
      int environment = environmentAt(place);
      boolean same = environment == environmentOfPlace.get(place);
      if (!same) {
        environmentOfPlace.set(place, environment);
      }
      move(place, classNumber(environment, snapshot.typeAt(place)));
      // What is below an unchanged environment is unchanged, up to the next place that was touched itself.
      int next = touched.nextSetBit(place + 1);
      place = !same || end == place + 1 ? place + 1 : next < 0 || next >= end ? end : next;
    }
  }

  private void sortStale() {
    if (staleTypes.isEmpty() && staleContexts.isEmpty()) {
      return;
    }
    boolean[] staleType = new boolean[snapshot.typeRoom() + 1];
    staleTypes.stream().forEach(type -> staleType[type] = true);
    boolean contextsToo = !staleContexts.isEmpty();
    boolean[] staleEnvironment = new boolean[contextsToo ? environments.count() : 0];
    for (int environment = 0; environment < staleEnvironment.length; environment++) {
      staleEnvironment[environment] = staleContexts.get(context(environment));
    }
    short[] types = snapshot.tree().types;
    for (int place = 0; place < types.length; place++) {
      int environment = environmentOfPlace.get(place);
      if (environment != NONE && (staleType[types[place]] || contextsToo && staleEnvironment[environment])) {
        move(place, classNumber(environment, types[place]));
      }
    }
    sorted.clear();
    sorted.add(new Range(0, types.length));
  }

  private void move(int place, int number) {
    int before = ofPlace.get(place);
    if (before != number) {
      boolean document = snapshot.isDocument(place);
      if (before != NONE) {
        tally(before, document, -1);
      }
      tally(number, document, 1);
      ofPlace.set(place, number);
    }
  }

  private void tally(int number, boolean document, int by) {
    placesIn.set(number, placesIn.getOrZero(number) + by);
    if (document) {
      documentsIn.set(number, documentsIn.getOrZero(number) + by);
    }
  }

  private void findStale() {
    for (int type = 1; type <= snapshot.typeRoom(); type++) {
      staleTypes.set(type, clearances.isGuarded(type) != basis.clearances.isGuarded(type));
    }
    Collection<Barriers.Reach> altered = barriers.alteredSince(basis.barriers);
    if (!altered.isEmpty()) {
      for (int context = 0; context < contexts.count(); context++) {
        int[] facts = contexts.row(context);
        staleContexts.set(context, altered.stream().anyMatch(reach -> reach.mayCover(facts)));
      }
    }
  }

  private int environmentAt(int place) {
    int parent = snapshot.parent(place);
    int above = parent < 0 ? 0 : environmentOfPlace.get(parent);
    if (!snapshot.marked(place) && !barriers.marked.get(place)) {
      return above;
    }
    int[] row = environments.row(above);
    Place here = snapshot.place(place);
    int context = barriers.marked.get(place) ? contexts.intern(barriers.factsAt(place, contexts.row(EnvironmentRow.context(row)))) : EnvironmentRow.context(row);
    int[] overseers = EnvironmentRow.union(EnvironmentRow.overseers(row), ownOverseers(place));
    int[] own = ownMeanings(place);
    int from = here.standsAlone() ? 0 : above;
    int[] reaching = EnvironmentRow.union(here.standsAlone() ? NO_NUMBERS : EnvironmentRow.meanings(row), own);
    return environmentNumber(EnvironmentRow.of(guarded(EnvironmentRow.flags(row), here.guards()), context, overseers, reaching), from, own);
  }

  private int[] ownOverseers(int place) {
    List<Oversight> oversights = snapshot.ownOversights(place);
    return oversights.isEmpty() ? NO_NUMBERS : oversights.stream().filter(oversight -> oversight.period().holdsAt(instant))
        .map(Oversight::subject).mapToInt(matching.subjects::numberOf).toArray();
  }

  private int[] ownMeanings(int place) {
    List<Entry> entries = snapshot.ownEntries(place);
    int[] own = new int[entries.size()];
    int count = 0;
    for (int i = 0; i < own.length; i++) {
      Entry entry = entries.get(i);
      if (entry.period().holdsAt(instant)) {
        own[count++] = meanings.numberOf(entry);
      }
    }
    return count == own.length ? own : Arrays.copyOf(own, count);
  }

  private int guarded(int flags, Guards guards) {
    int cut = guards.ceiling() == null ? flags
        : flags & (~Rights.ALL.mask() | snapshot.structure().roles().get(guards.ceiling()).rights().mask());
    return cut | (guards.reserveSharing() ? ClassRow.RESERVE_SHARING : 0) | (guards.noTakeaway() ? ClassRow.NO_TAKEAWAY : 0);
  }

  private int context(int environment) {
    return EnvironmentRow.context(environments.row(environment));
  }

  private int environmentNumber(int[] row, int from, int[] own) {
    int number = environments.intern(row);
    if (number == firstOwnEnvironment() + additions.size()) {
      int[] addition = new int[own.length + 1];
      addition[0] = from;
      System.arraycopy(own, 0, addition, 1, own.length);
      additions.add(addition);
      known.add(null);
    }
    return number;
  }

  private int firstOwnEnvironment() {
    return basis == null ? 0 : basis.environments.count();
  }

  private int[] addition(int environment) {
    Classes at = this;
    while (environment < at.firstOwnEnvironment()) {
      at = at.basis;
    }
    return at.additions.get(environment - at.firstOwnEnvironment());
  }

  private int classNumber(int environment, int type) {
    int own = environment - firstOwnEnvironment();
    if (own >= 0) {
      int[] byType = known.get(own);
      if (byType == null) {
        byType = new int[snapshot.typeRoom() + 1];
        Arrays.fill(byType, -1);
        known.set(own, byType);
      }
      if (byType[type] < 0) {
        byType[type] = internClass(environment, type);
      }
      return byType[type];
    }
    if (!staleTypes.get(type) && !staleContexts.get(context(environment))) {
      int before = basis.knownClass(environment, type);
      if (before >= 0) {
        return before;
      }
    }
    Long key = (long) environment << 16 | type;
    Integer here = knownHere.get(key);
    if (here == null) {
      here = internClass(environment, type);
      knownHere.put(key, here);
    }
    return here;
  }

  private int internClass(int environment, int type) {
    int[] row = environments.row(environment);
    boolean sameLists = type > 0 && meanings.treatAsUntyped(row, type);
    if (sameLists && !clearances.isGuarded(type) && !barriers.asksFor(type)) {
      return classNumber(environment, 0);
    }
    int number = rows.intern(sameLists ? withGuards(rows.row(classNumber(environment, 0)), EnvironmentRow.context(row), type, true) : classRow(row, type, true));
    if (number == firstOwnClass() + origins.size()) {
      origins.add(new Origin(environment, sameLists ? NO_NUMBERS : meanings.narrowedLines(row, type)));
    }
    return number;
  }

  private int firstOwnClass() {
    return basis == null ? 0 : basis.rows.count();
  }

  private Origin origin(int number) {
    Classes at = this;
    while (number < at.firstOwnClass()) {
      at = at.basis;
    }
    return at.origins.get(number - at.firstOwnClass());
  }

  int environmentOf(int number) {
    return origin(number).environment();
  }

  int[] narrowedIn(int number) {
    return origin(number).narrowed();
  }

  /** The class if it is known without interning anything, or -1. */
  private int knownClass(int environment, int type) {
    int own = environment - firstOwnEnvironment();
    if (own >= 0) {
      int[] byType = known.get(own);
      return byType == null || type >= byType.length ? -1 : byType[type];
    }
    Integer here = knownHere.get((long) environment << 16 | type);
    if (here != null) {
      return here;
    }
    return staleTypes.get(type) || staleContexts.get(context(environment)) ? -1 : basis.knownClass(environment, type);
  }

  private int[] classRow(int[] environment, int type, boolean intern) {
    int[] overseers = EnvironmentRow.overseers(environment);
    int[] header = new int[ClassRow.HEADER + overseers.length];
    header[0] = EnvironmentRow.flags(environment);
    header[4] = ClassRow.counts(0, overseers.length);
    System.arraycopy(overseers, 0, header, ClassRow.HEADER, overseers.length);
    int[] row = ClassRow.withLines(header, meanings.lines(environment, type, true), meanings.lines(environment, type, false));
    return withGuards(row, EnvironmentRow.context(environment), type, intern);
  }

  /** A copy of a row with the clearance of a type, and with its walls if the sets of them may be interned. */
  private int[] withGuards(int[] unguarded, int context, int type, boolean intern) {
    int[] row = unguarded.clone();
    row[0] |= clearances.isGuarded(type) ? ClassRow.GUARDED : 0;
    row[1] = clearances.isGuarded(type) ? type : 0;
    row[2] = intern && barriers.anyStands() ? wallSet(context, type) : 0;
    return row;
  }

  /** The number of the set of walls around a context and type; types that no scope names are all alike. */
  private int wallSet(int context, int type) {
    int asked = barriers.asksFor(type) ? type : 0;
    return wallSetByContext.computeIfAbsent((long) context << 16 | asked,
        any -> wallSets.intern(barriers.covering(contexts.row(context), asked)));
  }
}
