package palegate.server.statements;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import palegate.core.snapshot.Snapshot;
import palegate.core.statements.Recipe;
import palegate.core.statements.RefusedRecipe;
import palegate.core.statements.Statement;
import palegate.core.statements.StatementIdentity;
import palegate.core.statements.StatementKind;
import palegate.core.statements.StatementTable;
import palegate.core.statements.Statements;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.shell.Problem;
import palegate.server.shell.Written;
import palegate.server.store.History;
import palegate.server.store.Snapshots;
import palegate.server.store.StateCaches;
import palegate.server.store.WeighedCache;
import palegate.server.viewpoint.Viewpoints;

/** Makes statements of every kind: on the structure as it is, as it was, or as it will be, as far as whoever asks may know it. */
@Service
class MadeStatements {
  /**
   * A statement with what its cover says.
   *
   * @param ahead if it is about an instant that has not come
   */
  record Made(StatementTable table, Recipe recipe, Snapshot snapshot, long change, Instant at, boolean ahead) {
    StatementIdentity identity() {
      return new StatementIdentity(recipe, at, StatementIdentity.ofChange(change), null);
    }
  }

  /** @param ahead if it is about an instant that has not come */
  record State(Snapshot snapshot, long change, Instant at, boolean ahead) {}

  /** What of a statement is read on a screen, held for as long as pages of it are asked for. */
  record Held(Made made, List<StatementTable.Row> rows, boolean cut) {}

  /** On a screen are shown so many rows at most; files have all of them. */
  static final int ON_SCREEN = 20_000;
  private static final int ROWS_HELD = 400_000;

  private record Key(Recipe recipe, Instant at, Viewpoint viewpoint, long change) {}

  private final WeighedCache<Key, Held> held;
  private final Viewpoints viewpoints;
  private final History history;
  private final RecordStatements records;
  private final Clock clock;

  MadeStatements(Viewpoints viewpoints, History history, RecordStatements records, StateCaches caches, Clock clock) {
    this.viewpoints = viewpoints;
    this.history = history;
    this.records = records;
    this.clock = clock;
    held = caches.kept(new WeighedCache<>(ROWS_HELD, Duration.ofMinutes(2), one -> 10 + one.rows().size()));
  }

  /** From the parts of an address; all that is wrong with them is said at once. */
  static Recipe recipe(Map<String, String> parts) {
    Recipe.Parsed parsed = Recipe.of(parts);
    if (parsed.recipe() == null) {
      throw Problem.faults("The statement cannot be made as it was asked for.", parsed.wrong().stream().map(one -> new Problem.Fault(one.key(), one.what(), one.remedy())).toList());
    }
    return parsed.recipe();
  }

  /**
   * Makes one.
   *
   * @param at an instant of the past, for what held then, or of the future, for what will hold then if nothing is changed: what begins and
   *     ends by date has begun and ended; null for now
   * @param account of what its owner may know
   */
  Made make(Recipe recipe, Instant at, String account) {
    return make(recipe, state(at, account), account);
  }

  /** The state that an instant is about, as far as it may be known; null for now. */
  State state(Instant at, String account) {
    new Written().instant("at", at).refuse("The statement cannot be made as it was asked for.");
    Instant now = clock.instant();
    Instant asked = at == null ? now : at;
    Snapshots.Numbered state = asked.isBefore(now) ? viewpoints.known(account, history.at(asked)) : viewpoints.known(account);
    return new State(state.snapshot(), state.change(), asked, asked.isAfter(now));
  }

  /** The rows of people at places, to be read one after another. */
  Statement pairs(Recipe recipe, State state) {
    try {
      return Statements.pairs(state.snapshot(), state.at(), recipe);
    } catch (RefusedRecipe refused) {
      throw notThere(recipe);
    }
  }

  private static Problem notThere(Recipe recipe) {
    return Problem.notFound(!recipe.kind().needsSubject() ? "place" : recipe.id().startsWith("person:") ? "person" : "subject", recipe.id().substring(recipe.id().indexOf(':') + 1));
  }

  /** Of the state that a change made; what is held against a file that says it was made of it. */
  Made makeOf(Recipe recipe, Instant at, long change, String account) {
    Snapshots.Numbered newest = viewpoints.known(account);
    if (change < 1 || change > newest.change()) {
      throw Problem.notFound("change", Long.toString(change));
    }
    return make(recipe, new State(viewpoints.knownAsOf(account, change).snapshot(), change, at, at.isAfter(clock.instant())), account);
  }

  private Made make(Recipe recipe, State state, String account) {
    try {
      StatementTable table = recipe.kind().isOfStructure() ? Statements.of(state.snapshot(), state.at(), recipe) : records.of(recipe, state.at(), state.snapshot(), account).only(recipe.columns());
      return new Made(table, recipe, state.snapshot(), state.change(), state.at(), state.ahead());
    } catch (RefusedRecipe refused) {
      if (refused.key().equals("id")) {
        throw notThere(recipe);
      }
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "no-such-statement", "Not a statement that can be made", refused.getMessage());
    }
  }

  /** For a screen. Without an instant it is of the moment in which its first page was asked for, until something changes. */
  Held hold(Recipe recipe, Instant at, String account) {
    if (recipe.kind() == StatementKind.OPENINGS || recipe.kind() == StatementKind.ROUND) {
      // What is opened and what is decided makes no change by which it would be seen that what is held is old.
      return fresh(recipe, at, account);
    }
    Viewpoint viewpoint = viewpoints.of(account);
    Snapshots.Numbered newest = viewpoints.known(account);
    Key key = new Key(recipe, at, viewpoint, newest.change());
    Held known = held.getIfPresent(key);
    if (known != null && (at != null || known.made().snapshot().sameBetween(known.made().at(), clock.instant()))) {
      return known;
    }
    Held made = fresh(recipe, at, account);
    held.put(key, made);
    return made;
  }

  private Held fresh(Recipe recipe, Instant at, String account) {
    Made made = make(recipe, at, account);
    try (Stream<StatementTable.Row> rows = made.table().rows().get()) {
      List<StatementTable.Row> first = rows.limit(ON_SCREEN + 1L).toList();
      return new Held(made, first.size() > ON_SCREEN ? first.subList(0, ON_SCREEN) : first, first.size() > ON_SCREEN);
    }
  }
}
