package palegate.bench;

import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Warmup;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.WallChange;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;
import palegate.demo.Structures;

/** Compiling, rehearsing and applying changes, in process. */
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(value = 1, jvmArgs = {"-Xms4g", "-Xmx4g", "-Xmn1500m", "-XX:+UseSerialGC", "-XX:+UseTransparentHugePages", "-XX:+AlwaysPreTouch"})
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 3, time = 3)
public class ChangeBenchmark {

  /** The snapshot and the view of one instant, from rows in memory. A second a time: it takes more to be warm. */
  @Benchmark
  @Warmup(iterations = 5, time = 2)
  public int compile(Loaded loaded) {
    return Snapshot.of(loaded.structure).at(Structures.NOW).classCount();
  }

  @Benchmark
  public long rehearseGrant(Loaded loaded) {
    return loaded.rehearse(new AccessChange.AddGrant(Loaded.grant(loaded.bigFolder(), new Subject.OfGroup("g1"))));
  }

  @Benchmark
  public long rehearseBreak(Loaded loaded) {
    String library = loaded.library();
    return loaded.rehearse(new AccessChange.BreakPlace(library, AccessChange.Start.EMPTY, List.of(new AccessChange.Keeper(Subject.BuiltIn.STAFF, "r5")), "b"));
  }

  @Benchmark
  public long rehearseWall(Loaded loaded) {
    Barrier barrier = new Barrier.Screen(Scope.ofLabel("case", "c" + loaded.upTo(400)), List.of(new Subject.OfGroup("g5")));
    return loaded.rehearse(new WallChange.SetWall(new Wall("bench", "Bench", null, Wall.State.STANDING, Period.ALWAYS, barrier, List.of())));
  }

  /** A group of 2,700 people (at L) becomes a member of another group. */
  @Benchmark
  public long rehearseMembership(Loaded loaded) {
    return loaded.rehearse(new MembershipChange.AddMember("g" + (1 + loaded.upTo(loaded.structure.groups().size() - 1)),
        new Membership(new Membership.GroupMember("g0"), Period.ALWAYS)));
  }

  /** All staff are given a role at the root: thousands of millions of pairs at L. It takes as many times as compiling to be warm. */
  @Benchmark
  @Warmup(iterations = 5, time = 2)
  public long rehearseAllStaffAtTheRoot(Loaded loaded) {
    return loaded.rehearse(new AccessChange.AddGrant(Loaded.grant("root", Subject.BuiltIn.STAFF)));
  }

  /** One grant is put on, and the next snapshot is ready to be asked. */
  @Benchmark
  public int applyAndPublish(Loaded loaded) {
    Change change = new AccessChange.AddGrant(Loaded.grant(loaded.bigFolder(), new Subject.OfGroup("g1")));
    Snapshot next = loaded.snapshot.next(DraftApplication.of(loaded.snapshot, List.of(change), Structures.NOW).structure());
    next.at(Structures.NOW);
    return next.detached().at(Structures.NOW).classCount();
  }
}
