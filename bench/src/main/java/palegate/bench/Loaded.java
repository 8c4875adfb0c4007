package palegate.bench;

import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.SplittableRandom;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import palegate.core.access.Grant;
import palegate.core.changes.Change;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.demo.Structures;

/** A structure, compiled, and random people and places to ask about. */
@State(Scope.Benchmark)
public class Loaded {
  private static final int FEW_PEOPLE = 500;
  private static final int FEW_DOCUMENTS = 20_000;

  @Param({"M", "L", "L_HARSH"})
  public String size;

  Structure structure;
  Snapshot snapshot;
  SnapshotAt moment;
  private final SplittableRandom random = new SplittableRandom(1);
  private int[] fewPeople;
  private int[] fewDocuments;
  private int[] documents;

  @Setup(Level.Trial)
  public void prepare() {
    structure = Structures.of(Structures.Size.valueOf(size));
    snapshot = Snapshot.of(structure);
    moment = snapshot.at(Structures.NOW);
    documents = new Random(3).ints(0, snapshot.placeCount()).filter(snapshot::isDocument).limit(1_000_000).toArray();
    fewPeople = new Random(1).ints(FEW_PEOPLE, 0, snapshot.personCount()).toArray();
    fewDocuments = new Random(2).ints(0, documents.length).limit(FEW_DOCUMENTS).map(i -> documents[i]).toArray();
    // What was read stays: it is to be out of the collector's way before anything is measured.
    System.gc();
  }

  int person() {
    return random.nextInt(snapshot.personCount());
  }

  int document() {
    return documents[random.nextInt(documents.length)];
  }

  int oneOfFewPeople() {
    return fewPeople[random.nextInt(fewPeople.length)];
  }

  int oneOfFewDocuments() {
    return fewDocuments[random.nextInt(fewDocuments.length)];
  }

  int upTo(int bound) {
    return random.nextInt(bound);
  }

  /** A folder with much below it: one of the first that were made. */
  String bigFolder() {
    return "f" + random.nextInt(200);
  }

  String library() {
    return "l" + random.nextInt(Math.max(1, snapshot.placeCount() / 6_000));
  }

  long rehearse(Change... changes) {
    return Rehearsal.of(snapshot, List.of(changes), Structures.NOW, "p1").now().totals().pairsGaining();
  }

  static Grant grant(String place, Subject subject) {
    return new Grant("bench", place, subject, "r5", Set.of(), Period.ALWAYS, null);
  }
}
