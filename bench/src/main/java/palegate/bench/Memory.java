package palegate.bench;

import java.util.Locale;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.demo.Structures;

/** How much memory a snapshot and the view of one instant take beyond the rows they were made of. */
final class Memory {
  private Memory() {}

  static void run(Structures.Size size) {
    Structure structure = Structures.of(size);
    double rows = used();
    Snapshot snapshot = Snapshot.of(structure);
    SnapshotAt moment = snapshot.at(Structures.NOW);
    double both = used();
    System.out.printf(Locale.ROOT, "%nMemory, structure %s: rows %.0f MB, the snapshot %.0f MB beyond them (%,d places in %,d classes)%n",
        size, rows, both - rows, snapshot.placeCount(), moment.classCount());
  }

  private static double used() {
    for (int i = 0; i < 4; i++) {
      System.gc();
    }
    Runtime runtime = Runtime.getRuntime();
    return (runtime.totalMemory() - runtime.freeMemory()) / 1e6;
  }
}
