package palegate.bench;

import java.io.IOException;
import java.io.OutputStream;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;
import palegate.core.places.PlaceKind;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.statements.Grouping;
import palegate.core.statements.Recipe;
import palegate.core.statements.StatementIdentity;
import palegate.core.statements.StatementKind;
import palegate.core.statements.StatementTable;
import palegate.core.statements.Statements;
import palegate.demo.Structures;
import palegate.exports.FileFormat;
import palegate.exports.StatementSheet;

/** How fast statements are counted, put together and written as files: everyone at everything below the largest library. */
final class StatementFigures {
  private static final int WORKBOOK_ROWS = 300_000;
  private static final int PAGES_ROWS = 10_000;
  private static final int CSV_ROWS = 10_000_000;
  /** What is run for the first time is slow, and a long file is not written in the first seconds only. */
  private static final List<String> TIMES = List.of("the first time", "the second", "the third");

  private StatementFigures() {}

  static void run(Structures.Size size) throws IOException {
    Snapshot snapshot = Snapshot.of(Structures.of(size));
    String library = snapshot.places().boxed().filter(place -> snapshot.place(place).kind() == PlaceKind.LIBRARY).max(Comparator.comparing((Integer place) -> snapshot.below(place).count()))
        .map(place -> snapshot.place(place).id()).orElseThrow();
    say("%s: %,d people, %,d places; the largest library is %s", size, snapshot.personCount(), snapshot.placeCount(), library);
    for (Grouping grouping : new Grouping[] {Grouping.SAME, Grouping.PERSON, Grouping.SUBJECT}) {
      long began = System.nanoTime();
      StatementTable table = Statements.of(snapshot, Structures.NOW, Recipe.of(StatementKind.PLACE, library).grouped(grouping));
      long lines = table.rows().get().count();
      say("  put together by %s: %,d lines of %s pairs, %,d ms", grouping.word(), lines, table.counts().get("Pairs of a person and a place"), (System.nanoTime() - began) / 1_000_000);
    }
    Recipe everyone = Recipe.of(StatementKind.EVERYONE, library);
    for (String when : TIMES) {
      say("  %s", when);
      write(snapshot, everyone, FileFormat.CSV, CSV_ROWS);
      write(snapshot, everyone, FileFormat.XLSX, WORKBOOK_ROWS);
      write(snapshot, everyone, FileFormat.PDF, PAGES_ROWS);
    }
  }

  /** The same as it reaches whoever asks for it over HTTP, read on the same processors and thrown away. */
  static void overHttp(HttpSession session, Snapshot snapshot) throws IOException, InterruptedException {
    SnapshotAt now = snapshot.at(Structures.NOW);
    String library = snapshot.places().boxed().filter(place -> snapshot.place(place).kind() == PlaceKind.LIBRARY)
        .max(Comparator.comparing((Integer place) -> (long) now.holdersOf(Right.FIND, place).size() * snapshot.below(place).count())).map(place -> snapshot.place(place).id()).orElseThrow();
    say("%nEveryone at everything below %s as a file, over HTTP", library);
    for (String when : TIMES) {
      long began = System.nanoTime();
      long lines = session.lines("/api/statements/file?kind=" + StatementKind.EVERYONE.word() + "&id=" + library + "&format=" + FileFormat.CSV);
      double seconds = (System.nanoTime() - began) / 1e9;
      say("  %s: %,d lines in %.1f s, %,d a second", when, lines, seconds, Math.round(lines / seconds));
    }
  }

  private static void write(Snapshot snapshot, Recipe recipe, FileFormat format, int rows) throws IOException {
    StatementTable whole = Statements.of(snapshot, Structures.NOW, recipe);
    StatementTable table = new StatementTable(whole.title(), whole.counts(), whole.columns(), () -> whole.expected() >= 0 && whole.expected() <= rows ? whole.rows().get() : whole.rows().get().limit(rows));
    long[] count = {0};
    StatementTable counted = new StatementTable(table.title(), table.counts(), table.columns(), () -> {
      Stream<StatementTable.Row> all = table.rows().get();
      return all.peek(any -> count[0]++);
    });
    long began = System.nanoTime();
    format.write(StatementSheet.of(counted, new StatementIdentity(recipe, Structures.NOW, StatementIdentity.ofChange(1), null), "bench", false), OutputStream.nullOutputStream());
    double seconds = (System.nanoTime() - began) / 1e9;
    say("  %s: %,d rows in %.1f s, %,d rows a second", format.ending(), count[0], seconds, Math.round(count[0] / seconds));
  }

  private static void say(String words, Object... figures) {
    System.out.println(String.format(Locale.UK, words, figures));
  }
}
