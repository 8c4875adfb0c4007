package palegate.bench;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.Collectors;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.Barring;
import palegate.core.wallsatwork.WallGaps;
import palegate.core.wallsatwork.WallProof;
import palegate.demo.Structures;

/** How many pairs the walls of a large structure bar, how fast they are proved, and how long the register and the gaps take. */
final class WallFigures {
  private static final int ROUNDS = 3;
  private static final int EXPLAINED = 100_000;
  /** So many pairs are enough to tell a speed. */
  private static final long PROVED_AT_MOST = 400_000_000L;

  private WallFigures() {}

  static void run(Structures.Size size) {
    Structure structure = Structures.of(size);
    Snapshot snapshot = Snapshot.of(structure);
    var moment = snapshot.at(Structures.NOW);
    List<Wall> walls = structure.walls().values().stream().filter(wall -> wall.barsAt(Structures.NOW)).toList();
    say("%s: %,d people, %,d places, %,d walls that stand", size, snapshot.personCount(), snapshot.placeCount(), walls.size());
    long began = System.nanoTime();
    Map<String, Long> pairs = walls.stream().collect(Collectors.toMap(Wall::id, wall -> Barring.pairs(Barring.of(moment, wall))));
    say("  all of them bar %,d pairs; counted in %,d ms", pairs.values().stream().mapToLong(Long::longValue).sum(), (System.nanoTime() - began) / 1_000_000);
    for (int round = 1; round <= ROUNDS; round++) {
      began = System.nanoTime();
      long proved = 0;
      long leaks = 0;
      for (Wall wall : walls) {
        if (proved < PROVED_AT_MOST && pairs.get(wall.id()) <= PROVED_AT_MOST) {
          WallProof proof = WallProof.of(snapshot, wall, Structures.NOW, 0, 1, WallProof.Progress.NONE);
          proved += proof.pairs();
          leaks += proof.leaks();
        }
      }
      double seconds = (System.nanoTime() - began) / 1e9;
      say("  proved %,d pairs in %.1f s: %.1f million a second, %,d leaks", proved, seconds, proved / seconds / 1e6, leaks);
    }
    Wall one = walls.stream().filter(wall -> pairs.get(wall.id()) >= EXPLAINED).findFirst().orElse(walls.get(0));
    began = System.nanoTime();
    WallProof.of(snapshot, one, Structures.NOW, EXPLAINED, 1, WallProof.Progress.NONE);
    say("  one wall of %,d pairs with %,d of them explained: %,d ms", pairs.get(one.id()), Math.min(EXPLAINED, pairs.get(one.id())), (System.nanoTime() - began) / 1_000_000);
    began = System.nanoTime();
    long gaps = walls.stream().limit(20).mapToLong(wall -> WallGaps.of(snapshot, wall).size()).sum();
    say("  gaps of twenty walls: %,d, %,d ms", gaps, (System.nanoTime() - began) / 1_000_000);
    PlantedGaps.run(snapshot);
  }

  private static void say(String words, Object... figures) {
    System.out.println(String.format(Locale.UK, words, figures));
  }
}
