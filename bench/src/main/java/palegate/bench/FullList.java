package palegate.bench;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Locale;
import palegate.core.snapshot.Moment;
import palegate.core.snapshot.Snapshot;
import palegate.core.statements.AccessRows;
import palegate.demo.Structures;

/** How fast the full list of everyone's rights everywhere is written: to a file, and to nowhere, which leaves the disk out. */
final class FullList {
  private static final int TIMES = 3;

  private FullList() {}

  static void run(Structures.Size size) throws IOException {
    Moment moment = Snapshot.of(Structures.of(size)).at(Structures.NOW);
    System.out.printf(Locale.ROOT, "%nThe full list of structure %s, rows a second, %d times each%n", size, TIMES);
    for (int i = 0; i < TIMES; i++) {
      measure("to nowhere", moment, OutputStream.nullOutputStream());
    }
    Path file = Files.createTempFile("palegate-list", ".csv");
    try {
      for (int i = 0; i < TIMES; i++) {
        try (OutputStream out = Files.newOutputStream(file)) {
          measure("to a file", moment, out);
        }
      }
    } finally {
      Files.delete(file);
    }
  }

  private static void measure(String where, Moment moment, OutputStream out) throws IOException {
    long before = System.nanoTime();
    long rows = AccessRows.write(moment, AccessRows.Format.CSV, true, out);
    double seconds = (System.nanoTime() - before) / 1e9;
    System.out.printf(Locale.ROOT, "  %-12s %,d rows in %.2f s: %.1f M rows/s%n", where, rows, seconds, rows / seconds / 1e6);
  }
}
