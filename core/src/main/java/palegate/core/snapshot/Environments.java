package palegate.core.snapshot;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import palegate.core.access.Entry;
import palegate.core.access.Oversight;
import palegate.core.collections.Interner;
import palegate.core.collections.Renumbering;
import palegate.core.places.Guards;
import palegate.core.places.Place;
import palegate.core.roles.Rights;

/**
 * What places have around them, by content, each with a number: what reaches a place (entries as a <em>set</em> of meanings,
 * so that the same said twice or at different heights is the same), its ceilings, house rules, oversights, and its
 * <em>context</em>, the facts that walls ask about.
 */
final class Environments {
  /** The environment above the repository: nothing reaches, nothing is cut. */
  static final int NOTHING = 0;

  private static final int[] NO_NUMBERS = {};

  private final Snapshot snapshot;
  private final Instant instant;
  private final Matching matching;
  private final StandingWalls barriers;
  /** Those that these add to, or null. */
  private final Environments basis;
  final Meanings meanings;
  private final Interner contexts;
  private final Interner rows;
  /** By environment: the one it was first made from, then the meanings that it adds to it. */
  private final List<int[]> additions = new ArrayList<>();

  Environments(Snapshot snapshot, Instant instant, Matching matching, StandingWalls barriers, Environments basis) {
    this.snapshot = snapshot;
    this.instant = instant;
    this.matching = matching;
    this.barriers = barriers;
    this.basis = basis;
    meanings = basis == null ? Meanings.of(snapshot, matching.subjects) : basis.meanings.layer(snapshot);
    contexts = basis == null ? new Interner() : basis.contexts.layer();
    rows = basis == null ? new Interner() : basis.rows.layer();
    if (basis == null) {
      number(EnvironmentRow.of(Rights.ALL.mask(), contexts.intern(NO_NUMBERS), NO_NUMBERS, NO_NUMBERS), NOTHING, NO_NUMBERS);
    }
  }

  private Environments(Environments extension, Snapshot kept) {
    snapshot = kept;
    instant = extension.instant;
    matching = extension.matching;
    barriers = extension.barriers;
    basis = null;
    meanings = extension.meanings.flattened(kept);
    contexts = extension.contexts.flattened();
    rows = extension.rows.flattened();
    for (int environment = 0; environment < rows.count(); environment++) {
      additions.add(extension.addition(environment));
    }
  }

  /** The same numbers in one layer, for keeping. */
  Environments flattened(Snapshot kept) {
    return new Environments(this, kept);
  }

  int count() {
    return rows.count();
  }

  /** The first number that the basis does not have. */
  int first() {
    return rows.first();
  }

  int[] row(int environment) {
    return rows.row(environment);
  }

  int context(int environment) {
    return EnvironmentRow.context(rows.row(environment));
  }

  int contextCount() {
    return contexts.count();
  }

  /** The facts of a context; ascending. */
  int[] facts(int context) {
    return contexts.row(context);
  }

  /** The environment that another was first made from; its meanings are among those of the other unless a break stopped them. */
  int originOf(int environment) {
    return addition(environment)[0];
  }

  /** The lines of the un-narrowed entries that an environment adds to its origin: those that give, or those that take. */
  int[] ownLines(int environment, boolean takes) {
    return meanings.unnarrowedLines(addition(environment), takes);
  }

  /** The lines of all entries of an environment that touch a type. */
  int[] lines(int environment, int type, boolean gives) {
    return meanings.lines(rows.row(environment), type, gives);
  }

  /** The reaches of walls that bar somebody from what has an environment and a type. */
  int[] covering(int environment, int type) {
    return barriers.covering(facts(context(environment)), type);
  }

  /**
   * The environment of a place below one with another.
   *
   * @param context that of the place if it is known, or -1
   */
  int below(int above, int place, int context) {
    if (!snapshot.marked(place) && !barriers.marked.get(place)) {
      return above;
    }
    int[] row = rows.row(above);
    Place here = snapshot.place(place);
    int contextHere = context >= 0 ? context : contextBelow(EnvironmentRow.context(row), place);
    int[] overseers = EnvironmentRow.union(EnvironmentRow.overseers(row), ownOverseers(place));
    int[] own = ownMeanings(place);
    int from = here.standsAlone() ? NOTHING : above;
    int[] reaching = EnvironmentRow.union(here.standsAlone() ? NO_NUMBERS : EnvironmentRow.meanings(row), own);
    return number(EnvironmentRow.of(guarded(EnvironmentRow.flags(row), here.guards()), contextHere, overseers, reaching), from, own);
  }

  private int contextBelow(int above, int place) {
    return barriers.marked.get(place) ? contexts.intern(barriers.factsAt(place, contexts.row(above))) : above;
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

  private int number(int[] row, int from, int[] own) {
    int number = rows.intern(row);
    if (number == rows.first() + additions.size()) {
      int[] addition = new int[own.length + 1];
      addition[0] = from;
      System.arraycopy(own, 0, addition, 1, own.length);
      additions.add(addition);
    }
    return number;
  }

  private int[] addition(int environment) {
    Environments at = this;
    while (environment < at.rows.first()) {
      at = at.basis;
    }
    return at.additions.get(environment - at.rows.first());
  }

  /** What a twin's contexts and environments are here. */
  record Taken(Renumbering contexts, Renumbering environments) {}

  /** Adds whatever only a twin, begun from the same, knows. What both know keeps the number it has here. */
  Taken takeOver(Environments twin) {
    Renumbering meaning = meanings.takeOver(twin.meanings);
    Renumbering context = contexts.takeOver(twin.contexts);
    Renumbering environment = new Renumbering(twin.first(), twin.additions.size());
    for (int[] addition : twin.additions) {
      // What an environment was made from was there before it, and has been taken over.
      int[] row = EnvironmentRow.renumbered(twin.rows.row(environment.next()), context, meaning);
      environment.add(number(row, environment.of(addition[0]), meaning.ofAll(Arrays.copyOfRange(addition, 1, addition.length))));
    }
    return new Taken(context, environment);
  }
}
