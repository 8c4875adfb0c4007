package palegate.server.statements;

import java.io.IOException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import palegate.core.statements.Recipe;
import palegate.core.statements.StatementCheck;
import palegate.core.statements.StatementDifference;
import palegate.core.statements.StatementDigest;
import palegate.core.statements.StatementTable;
import palegate.core.text.Counted;
import palegate.core.viewpoint.KnownDigest;
import palegate.exports.FileFormat;
import palegate.exports.Sheet;
import palegate.exports.StatementFile;
import palegate.exports.StatementSheet;
import palegate.server.session.Accounts;
import palegate.server.session.Rooms;
import palegate.server.shell.Problem;
import palegate.server.store.History;
import palegate.server.store.PreparedFileRecords;
import palegate.server.viewpoint.Viewpoints;

/** Makes one file: with the duties that its maker has while it is made, of the state that it was asked for. */
@Component
class FileMaking {
  /** Somebody called it off, or it was taken away. */
  static final class CalledOff extends RuntimeException {}

  /** How far one is; read by whoever says so while another thread makes it. */
  static final class Progress {
    private final PreparedFileRecords.Taken taken;
    private volatile long rows;
    private volatile Long expected;
    private volatile String title = "";
    private volatile boolean calledOff;

    Progress(PreparedFileRecords.Taken taken) {
      this.taken = taken;
    }

    PreparedFileRecords.Taken taken() {
      return taken;
    }

    long rows() {
      return rows;
    }

    Long expected() {
      return expected;
    }

    String title() {
      return title;
    }

    void callOff() {
      calledOff = true;
    }

    private void check() {
      if (calledOff) {
        throw new CalledOff();
      }
    }
  }

  private static final Duration KEPT = Duration.ofDays(7);
  private static final Duration REGULAR_KEPT = Duration.ofDays(92);
  /** What is held against the last one is held in memory. */
  private static final int COMPARED_AT_MOST = 200_000;
  private static final int CHANGES_SHOWN = 20_000;
  /** The digest of what it says leaves out when it was made: that is never the same. */
  private static final Instant ANY_TIME = Instant.EPOCH;
  /** So many rows go by before it is looked whether somebody called it off. */
  private static final int LOOK_EVERY = 256;

  private final MadeStatements statements;
  private final PreparedFileRecords records;
  private final RegularStatements regular;
  private final Viewpoints viewpoints;
  private final History history;
  private final Accounts accounts;
  private final Clock clock;

  FileMaking(MadeStatements statements, PreparedFileRecords records, RegularStatements regular, Viewpoints viewpoints, History history, Accounts accounts, Clock clock) {
    this.statements = statements;
    this.records = records;
    this.regular = regular;
    this.viewpoints = viewpoints;
    this.history = history;
    this.accounts = accounts;
    this.clock = clock;
  }

  /** What its maker may know of the states that it is about: of a stretch of time, where it begins too. */
  String madeUnder(String account, long change, Recipe recipe) {
    String known = KnownDigest.of(viewpoints.asOf(account, change));
    return recipe.from() == null ? known : known + " " + KnownDigest.of(viewpoints.asOf(account, history.at(recipe.from()).change()));
  }

  void make(Progress progress, long bytesAtMost) throws IOException {
    PreparedFileRecords.Prepared file = progress.taken().file();
    if (!accounts.isOpen(file.account()) || !Rooms.of(viewpoints.asker(file.account()), false).contains("statements")) {
      throw Problem.of(HttpStatus.FORBIDDEN, "not-allowed", "Not allowed", "Your duties do not cover statements any more.");
    }
    Recipe recipe = Recipe.parse(file.recipe()).recipe();
    if (recipe == null) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "no-such-statement", "Not a statement that can be made", "What is asked cannot be read any more: [" + file.recipe() + "]. Ask for it anew.");
    }
    String known = madeUnder(file.account(), file.change(), recipe);
    MadeStatements.Made made = statements.makeOf(recipe, file.at(), file.change(), file.account());
    StatementTable table = watched(made.table(), progress);
    progress.title = made.table().title();
    String says = null;
    Sheet.Before changes = null;
    if (file.regular() != null) {
      says = StatementDigest.of(recipe.since(null), ANY_TIME, table);
      PreparedFileRecords.Prepared last = records.lastOf(file.regular()).orElse(null);
      if (last != null && saysTheSame(says, last, recipe, table) && regular.onlyIfChanged(file.regular())) {
        records.dropPieces(progress.taken(), 0);
        finish(progress, PreparedFileRecords.State.UNCHANGED, "", 0, says, known);
        return;
      }
      changes = last == null ? null : changes(last, made);
    }
    progress.expected = made.table().expected() < 0 ? null : made.table().expected();
    progress.rows = 0;
    String author = accounts.nameOf(file.account());
    Sheet sheet = StatementSheet.of(table, made.identity(), author, made.ahead()).with(changes);
    PartsStream out = pieces(progress, bytesAtMost);
    FileFormat format = FileFormat.valueOf(file.format());
    try {
      format.write(sheet, out);
      out.close();
    } finally {
      out.giveUp();
    }
    finish(progress, PreparedFileRecords.State.READY, sheet.name() + "." + format.ending(), out.bytes(), says == null ? "none" : says, known);
  }

  /** What somebody else left of it is gone on with, as far as it says the same: what its maker may know can have changed meanwhile. */
  private PartsStream pieces(Progress progress, long bytesAtMost) {
    List<String> there = records.piecesOf(progress.taken());
    records.dropPieces(progress.taken(), there.size());
    return new PartsStream(there, new PartsStream.Taker() {
      @Override
      public void take(int number, String digest, byte[] deflated) {
        if (!records.write(progress.taken(), number, digest, deflated)) {
          throw new CalledOff();
        }
      }

      @Override
      public void drop(int from) {
        records.dropPieces(progress.taken(), from);
      }
    }, bytesAtMost);
  }

  /** One that was made before repeated cells were digested as such has another kind of digest. */
  private static boolean saysTheSame(String says, PreparedFileRecords.Prepared last, Recipe recipe, StatementTable table) {
    return says.equals(last.contentDigest()) || StatementDigest.isPlain(last.contentDigest()) && StatementDigest.isOf(last.contentDigest(), recipe.since(null), ANY_TIME, table);
  }

  private void finish(Progress progress, PreparedFileRecords.State state, String name, long bytes, String says, String known) {
    Instant now = clock.instant();
    PreparedFileRecords.Prepared file = progress.taken().file();
    if (!records.finish(progress.taken(), state, progress.title, name, progress.rows, bytes, says, known, now, now.plus(file.regular() == null ? KEPT : REGULAR_KEPT))) {
      throw new CalledOff();
    }
    if (file.regular() != null && state == PreparedFileRecords.State.READY) {
      regular.sayReady(file, now);
    }
  }

  /** Counts the rows that are read, and breaks off if it is called off. */
  private static StatementTable watched(StatementTable table, Progress progress) {
    return new StatementTable(table.title(), table.counts(), table.columns(), () -> {
      progress.rows = 0;
      int[] read = {0};
      return table.rows().get().peek(row -> {
        if (++read[0] % LOOK_EVERY == 0) {
          progress.check();
        }
        progress.rows = read[0];
      });
    }, table.expected());
  }

  /** What the last one did not say and this one does; made again as it may be known today. */
  private Sheet.Before changes(PreparedFileRecords.Prepared last, MadeStatements.Made made) {
    String title = StatementFile.SINCE_THE_LAST_ONE;
    List<Sheet.Column> columns = new ArrayList<>(List.of(new Sheet.Column("what", "What changed", 16)));
    made.table().columns().forEach(column -> columns.add(new Sheet.Column(column.key(), column.title(), column.width())));
    try {
      StatementTable before = statements.makeOf(Recipe.parse(last.recipe()).recipe(), last.at(), last.change(), last.account()).table();
      StatementDifference difference = StatementDifference.of(before, made.table(), COMPARED_AT_MOST);
      List<List<String>> rows = new ArrayList<>();
      difference.added().forEach(row -> rows.add(with("came", row)));
      difference.gone().forEach(row -> rows.add(with("went", row)));
      difference.altered().forEach(one -> {
        rows.add(with("was", one.was()));
        rows.add(with("is now", one.is()));
      });
      String says = "Since change " + last.change() + ": " + Counted.of(difference.added().size(), "row", "rows") + " came, " + difference.gone().size() + " went, " + Counted.of(difference.altered().size(), "says", "say") + " something else.";
      return new Sheet.Before(title, says, columns, rows.size() <= CHANGES_SHOWN ? rows : rows.subList(0, CHANGES_SHOWN));
    } catch (StatementCheck.TooMuch tooMuch) {
      return new Sheet.Before(title, "It has more than " + COMPARED_AT_MOST + " rows and was not held against the last one.", columns, List.of());
    } catch (IllegalArgumentException | Problem notLike) {
      return new Sheet.Before(title, "The last one cannot be made any more in the same way, so it was not held against this one.", columns, List.of());
    }
  }

  private static List<String> with(String what, List<String> row) {
    List<String> all = new ArrayList<>(row.size() + 1);
    all.add(what);
    all.addAll(row);
    return all;
  }
}
