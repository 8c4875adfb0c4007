package palegate.bench;

import java.time.Instant;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import palegate.core.access.Grant;
import palegate.core.access.Trace;
import palegate.core.drafts.Change;
import palegate.core.drafts.Rehearsal;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.questions.Explanation;
import palegate.core.questions.ReachOf;
import palegate.core.questions.WhoCan;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Moment;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/** The questions that the interface asks most, in process. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(value = 1, jvmArgs = "-Xmx3g")
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 3, time = 2)
public class EngineBenchmark {
  private static final Instant NOW = Instant.parse("2026-11-24T10:00:00Z");

  @Param({"S", "M"})
  public String size;

  private Structure structure;
  private Snapshot snapshot;
  private Moment moment;
  private Random random;

  @Setup(Level.Trial)
  public void prepare() {
    structure = Structures.of(Structures.Size.valueOf(size));
    snapshot = Snapshot.of(structure);
    moment = snapshot.at(NOW);
    random = new Random(1);
  }

  /** All nine rights of a uniformly random person at a uniformly random place. */
  @Benchmark
  public Rights rights() {
    return moment.rights(random.nextInt(snapshot.personCount()), random.nextInt(snapshot.placeCount()));
  }

  @Benchmark
  public List<WhoCan.Holder> whoCan() {
    return WhoCan.at(snapshot, NOW, random.nextInt(snapshot.placeCount()));
  }

  @Benchmark
  public long reachOf() {
    return ReachOf.person(moment, random.nextInt(snapshot.personCount())).documents();
  }

  @Benchmark
  public Trace explain() {
    return Explanation.of(snapshot, NOW, random.nextInt(snapshot.personCount()), random.nextInt(snapshot.placeCount()), Explanation.WallReasons.SHOWN);
  }

  /** Compiles the snapshot and what holds at one instant, from the structure in memory. */
  @Benchmark
  @OutputTimeUnit(TimeUnit.MILLISECONDS)
  public int compile() {
    return Snapshot.of(structure).at(NOW).classCount();
  }

  /** One grant at a random folder, exact counts, who loses govern, and whether it has any effect. */
  @Benchmark
  @OutputTimeUnit(TimeUnit.MILLISECONDS)
  public int rehearseGrant() {
    String place = "f" + random.nextInt(structure.places().size() / 20);
    Grant grant = new Grant("bench", place, new Subject.OfGroup("g1"), "r5", Set.of(), Period.ALWAYS, null);
    return Rehearsal.of(snapshot, List.of(new Change.AddGrant(grant)), NOW, "p1").now().totals().places();
  }
}
