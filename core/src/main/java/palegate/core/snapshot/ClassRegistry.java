package palegate.core.snapshot;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.List;
import palegate.core.collections.Interner;
import palegate.core.collections.LongNumbers;
import palegate.core.collections.Renumbering;

/**
 * Every access class by content, with its number: an {@linkplain Environments environment} seen by one document type is a
 * class, with narrowed entries filtered so that equal sets merge.
 */
final class ClassRegistry {
  /**
   * What a class was made of.
   *
   * @param narrowed the lines of entries narrowed to its type: how many of them give, those, then those that take
   */
  private record Origin(int environment, int[] narrowed) {}

  private static final int[] NO_NUMBERS = {};
  private static final int UNKNOWN = -1;

  private final Snapshot snapshot;
  private final Instant instant;
  private final Matching matching;
  final StandingWalls barriers;
  final Clearances clearances;
  /** The book that this one adds to, or null. */
  private final ClassRegistry basis;
  final Environments environments;
  private final Interner wallSets;
  private final Interner rows;
  /** By class: an environment that it was first made of, and the lines of narrowed entries among its own. */
  private final List<Origin> origins = new ArrayList<>();
  /** Environment × type → class, for those environments that the basis does not have. */
  private final List<int[]> known = new ArrayList<>();
  /** The same for the basis's, as far as it does not know the class. */
  private final LongNumbers knownHere = new LongNumbers();
  /** By context and type; what the basis knows of the same walls is taken from there. */
  private final LongNumbers wallSetByContext = new LongNumbers();
  /** Types that are guarded now and were not, or the other way round. */
  final BitSet staleTypes = new BitSet();
  private final BitSet staleContexts = new BitSet();

  private ClassRegistry(Snapshot snapshot, Instant instant, Matching matching, StandingWalls barriers, Clearances clearances, ClassRegistry basis) {
    this.snapshot = snapshot;
    this.instant = instant;
    this.matching = matching;
    this.barriers = barriers;
    this.clearances = clearances;
    this.basis = basis;
    environments = new Environments(snapshot, instant, matching, barriers, basis == null ? null : basis.environments);
    wallSets = basis == null ? new Interner() : basis.wallSets.layer();
    rows = basis == null ? new Interner() : basis.rows.layer();
    if (basis == null) {
      wallSets.intern(NO_NUMBERS);
    } else {
      findStale();
    }
  }

  private ClassRegistry(ClassRegistry extension, Snapshot kept) {
    snapshot = kept;
    instant = extension.instant;
    matching = extension.matching;
    barriers = extension.barriers;
    clearances = extension.clearances;
    basis = null;
    environments = extension.environments.flattened(kept);
    wallSets = extension.wallSets.flattened();
    rows = extension.rows.flattened();
    for (int environment = 0; environment < environments.count(); environment++) {
      known.add(extension.knownClasses(environment));
    }
    for (int number = 0; number < rows.count(); number++) {
      origins.add(extension.origin(number));
    }
    for (ClassRegistry at = extension; at != null && at.barriers == barriers; at = at.basis) {
      wallSetByContext.putAll(at.wallSetByContext);
    }
  }

  static ClassRegistry of(Snapshot snapshot, Instant instant, Matching matching) {
    return new ClassRegistry(snapshot, instant, matching, StandingWalls.of(snapshot, instant, matching), Clearances.of(snapshot, instant, matching), null);
  }

  /** A book that knows all of these under the same numbers, and adds to them what a changed snapshot needs. */
  ClassRegistry next(Snapshot changed, Instant instant, Matching matching, StandingWalls barriers) {
    return new ClassRegistry(changed, instant, matching, barriers, Clearances.of(changed, instant, matching), this);
  }

  /** A book that is what this one was at first. */
  ClassRegistry twin() {
    return new ClassRegistry(snapshot, instant, matching, barriers, clearances, basis);
  }

  /** The same numbers in one layer, for keeping. */
  ClassRegistry flattened(Snapshot kept) {
    return new ClassRegistry(this, kept);
  }

  // --- what there is --------------------------------------------------------------------------------

  int count() {
    return rows.count();
  }

  /** The first number that the basis does not have. */
  int first() {
    return rows.first();
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

  /** An environment that a class was first made of. */
  int environmentOf(int number) {
    return origin(number).environment();
  }

  int[] narrowedIn(int number) {
    return origin(number).narrowed();
  }

  /** The row that a class of an environment and a type would have, without its walls. */
  int[] rowOfImagined(int environment, int type) {
    return classRow(environments.row(environment), type, false);
  }

  // --- classes --------------------------------------------------------------------------------------

  /** The class of what has an environment and a type. */
  int classOf(int environment, int type) {
    int number = knownClass(environment, type);
    if (number == UNKNOWN) {
      number = internClass(environment, type);
      learn(environment, type, number);
    }
    return number;
  }

  /** The class if it is known without interning anything. */
  private int knownClass(int environment, int type) {
    int own = environment - environments.first();
    if (own >= 0) {
      int[] byType = own < known.size() ? known.get(own) : null;
      return byType == null || type >= byType.length ? UNKNOWN : byType[type];
    }
    int before = staleTypes.get(type) || !staleContexts.isEmpty() && staleContexts.get(environments.context(environment)) ? UNKNOWN
        : basis.knownClass(environment, type);
    return before != UNKNOWN ? before : knownHere.get((long) environment << 16 | type);
  }

  private void learn(int environment, int type, int number) {
    int own = environment - environments.first();
    if (own < 0) {
      knownHere.put((long) environment << 16 | type, number);
      return;
    }
    while (known.size() <= own) {
      known.add(null);
    }
    int[] byType = known.get(own);
    if (byType == null) {
      byType = new int[snapshot.typeRoom() + 1];
      Arrays.fill(byType, UNKNOWN);
      known.set(own, byType);
    }
    byType[type] = number;
  }

  private int internClass(int environment, int type) {
    int[] row = environments.row(environment);
    boolean sameLists = type > 0 && environments.meanings.treatAsUntyped(row, type);
    if (sameLists && !clearances.isGuarded(type) && !barriers.asksFor(type)) {
      return classOf(environment, 0);
    }
    return classNumber(sameLists ? withGuards(rows.row(classOf(environment, 0)), EnvironmentRow.context(row), type, true) : classRow(row, type, true),
        environment, sameLists ? NO_NUMBERS : environments.meanings.narrowedLines(row, type));
  }

  private int classNumber(int[] row, int environment, int[] narrowed) {
    int number = rows.intern(row);
    if (number == rows.first() + origins.size()) {
      origins.add(new Origin(environment, narrowed));
    }
    return number;
  }

  private Origin origin(int number) {
    ClassRegistry at = this;
    while (number < at.rows.first()) {
      at = at.basis;
    }
    return at.origins.get(number - at.rows.first());
  }

  /** The classes of an environment by type, -1 where none is known; null if no type is known. */
  private int[] knownClasses(int environment) {
    int[] classes = null;
    for (int type = 0; type <= snapshot.typeRoom(); type++) {
      int number = knownClass(environment, type);
      if (number >= 0) {
        if (classes == null) {
          classes = new int[snapshot.typeRoom() + 1];
          Arrays.fill(classes, UNKNOWN);
        }
        classes[type] = number;
      }
    }
    return classes;
  }

  private int[] classRow(int[] environment, int type, boolean intern) {
    int[] overseers = EnvironmentRow.overseers(environment);
    int[] header = new int[ClassRow.HEADER + overseers.length];
    header[0] = EnvironmentRow.flags(environment);
    header[4] = ClassRow.counts(0, overseers.length);
    System.arraycopy(overseers, 0, header, ClassRow.HEADER, overseers.length);
    int[] row = ClassRow.withLines(header, environments.meanings.lines(environment, type, true), environments.meanings.lines(environment, type, false));
    return withGuards(row, EnvironmentRow.context(environment), type, intern);
  }

  /** A copy of a row with the clearance of a type, and with its walls if the sets of them may be interned. */
  private int[] withGuards(int[] unguarded, int context, int type, boolean intern) {
    int[] row = unguarded.clone();
    row[0] |= clearances.isGuarded(type) ? ClassRow.GUARDED : 0;
    row[1] = clearances.isGuarded(type) ? type : 0;
    row[ClassRow.WALLS] = intern && barriers.anyStands() ? wallSet(context, type) : 0;
    return row;
  }

  /** The number of the set of walls around a context and type; types that no scope names are all alike. */
  private int wallSet(int context, int type) {
    int asked = barriers.asksFor(type) ? type : 0;
    long key = (long) context << 16 | asked;
    for (ClassRegistry at = this; at != null && at.barriers == barriers; at = at.basis) {
      int number = at.wallSetByContext.get(key);
      if (number >= 0) {
        return number;
      }
    }
    int number = wallSets.intern(barriers.covering(environments.facts(context), asked));
    wallSetByContext.put(key, number);
    return number;
  }

  // --- what of the basis is not true any more -----------------------------------------------------------

  private void findStale() {
    for (int type = 1; type <= snapshot.typeRoom(); type++) {
      staleTypes.set(type, clearances.isGuarded(type) != basis.clearances.isGuarded(type));
    }
    Collection<StandingWalls.Reach> altered = barriers.alteredSince(basis.barriers);
    if (!altered.isEmpty()) {
      for (int context = 0; context < environments.contextCount(); context++) {
        int[] facts = environments.facts(context);
        staleContexts.set(context, altered.stream().anyMatch(reach -> reach.mayCover(facts)));
      }
    }
  }

  boolean anyStale() {
    return !staleTypes.isEmpty() || !staleContexts.isEmpty();
  }

  /** By environment, whether other walls may stand around it than did. */
  boolean[] staleEnvironments() {
    boolean[] stale = new boolean[environments.count()];
    for (int environment = 0; environment < stale.length && !staleContexts.isEmpty(); environment++) {
      stale[environment] = staleContexts.get(environments.context(environment));
    }
    return stale;
  }

  // --- two books of the same beginning ------------------------------------------------------------------

  /** What a twin's environments and classes are here. */
  record Taken(Renumbering environments, Renumbering classes) {}

  /** Adds whatever only a twin knows. What both know keeps the number it has here. */
  Taken takeOver(ClassRegistry twin) {
    Environments.Taken taken = environments.takeOver(twin.environments);
    Renumbering environment = taken.environments();
    Renumbering walls = wallSets.takeOver(twin.wallSets);
    Renumbering number = new Renumbering(twin.rows.first(), twin.origins.size());
    for (Origin origin : twin.origins) {
      int[] row = twin.rows.row(number.next()).clone();
      row[ClassRow.WALLS] = walls.of(row[ClassRow.WALLS]);
      number.add(classNumber(row, environment.of(origin.environment()), origin.narrowed()));
    }
    for (int own = 0; own < twin.known.size(); own++) {
      int[] byType = twin.known.get(own);
      for (int type = 0; byType != null && type < byType.length; type++) {
        learnOnce(environment.of(twin.environments.first() + own), type, byType[type], number);
      }
    }
    twin.knownHere.forEach((key, there) -> learnOnce((int) (key >> 16), (int) (key & 0xFFFF), there, number));
    twin.wallSetByContext.forEach((key, there) -> {
      long here = (long) taken.contexts().of((int) (key >> 16)) << 16 | key & 0xFFFF;
      if (wallSetByContext.get(here) < 0) {
        wallSetByContext.put(here, walls.of(there));
      }
    });
    return new Taken(environment, number);
  }

  private void learnOnce(int environment, int type, int there, Renumbering number) {
    if (there != UNKNOWN && knownClass(environment, type) == UNKNOWN) {
      learn(environment, type, number.of(there));
    }
  }
}
