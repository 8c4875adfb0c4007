package palegate.bench;

import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
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
import palegate.core.changes.PlaceChange;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.papers.FoundPlaces;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.questions.AccessList;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.viewpoint.Asker;
import palegate.core.viewpoint.Viewpoint;
import palegate.core.walls.Barrier;
import palegate.core.walls.Wall;
import palegate.demo.Structures;

/** What it costs that every answer is given to somebody (access rules, section 9). */
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(value = 1, jvmArgs = {"-Xms8g", "-Xmx8g", "-Xmn2g", "-XX:+UseSerialGC"})
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 3, time = 2)
public class ViewpointBenchmark {
  /** A structure in which somebody keeps everything, somebody one library, and somebody everything but what a wall keeps from them. */
  @State(Scope.Benchmark)
  public static class Administered {
    @Param({"M", "L"})
    public String size;

    SnapshotAt moment;
    String keepsAll;
    String keepsLibrary;
    String walled;
    Viewpoint ofLibrary;
    Viewpoint ofWalled;
    SnapshotAt changed;
    int[] placesOfLibrary;
    final SplittableRandom random = new SplittableRandom(1);

    @Setup(Level.Trial)
    public void prepare() {
      Structure structure = Structures.of(Structures.Size.valueOf(size));
      List<String> people = structure.people().values().stream().filter(Person::active).map(Person::id).sorted().toList();
      keepsAll = people.get(0);
      keepsLibrary = people.get(1);
      walled = people.get(2);
      String root = structure.repository().orElseThrow().id();
      structure = structure.administeredBy(List.of(duty("d0", keepsAll, root), duty("d1", keepsLibrary, "l1"), duty("d2", walled, root)))
          .withWalls(Map.of("bench", new Wall("bench", "Bench", null, Wall.State.STANDING, Period.ALWAYS,
              new Barrier.Screen(palegate.core.walls.Scope.ofPlaces("f7"), List.of(new Subject.OfPerson(walled))), List.of())));
      // What bars the first two is in nobody's way here.
      moment = Snapshot.of(structure).at(Structures.NOW);
      ofLibrary = Viewpoint.of(Asker.of(moment, keepsLibrary));
      ofWalled = Viewpoint.of(Asker.of(moment, walled));
      changed = Rehearsal.of(moment.snapshot(), List.of(new PlaceChange.RenamePlace("f9", "Another")), Structures.NOW, null).after().detached().at(Structures.NOW);
      placesOfLibrary = IntStream.range(0, ofLibrary.snapshot().placeCount()).toArray();
    }

    private static DutyAssignment duty(String id, String person, String place) {
      return new DutyAssignment(id, new Subject.OfPerson(person), Duty.ACCESS, place, null, null, Period.ALWAYS);
    }
  }

  /** For whoever keeps everything: made at each question. */
  @Benchmark
  public Viewpoint makeOfAll(Administered in) {
    return Viewpoint.of(Asker.of(in.moment, in.keepsAll));
  }

  /** Who asks, with what: made at each question; what they may know is kept until a change. */
  @Benchmark
  public Asker makeAsker(Administered in) {
    return Asker.of(in.moment, in.keepsLibrary);
  }

  /** For the keeper of one library, the first time. */
  @Benchmark
  @OutputTimeUnit(TimeUnit.MILLISECONDS)
  public Viewpoint makeOfLibrary(Administered in) {
    return Viewpoint.of(Asker.of(in.moment, in.keepsLibrary));
  }

  /** For whoever keeps everything but what a wall keeps from them, the first time. */
  @Benchmark
  @OutputTimeUnit(TimeUnit.MILLISECONDS)
  public Viewpoint makeOfWalled(Administered in) {
    return Viewpoint.of(Asker.of(in.moment, in.walled));
  }

  /** For the keeper of one library, after a change, from what they could know before it. */
  @Benchmark
  @OutputTimeUnit(TimeUnit.MILLISECONDS)
  public Viewpoint makeOfLibraryFromBefore(Administered in) {
    return Viewpoint.of(Asker.of(in.changed, in.keepsLibrary), in.changed.snapshot(), in.ofLibrary);
  }

  @Benchmark
  @OutputTimeUnit(TimeUnit.MILLISECONDS)
  public Viewpoint makeOfWalledFromBefore(Administered in) {
    return Viewpoint.of(Asker.of(in.changed, in.walled), in.changed.snapshot(), in.ofWalled);
  }

  /** An access list in the whole structure, to compare with the two below. */
  @Benchmark
  public AccessList accessListOfAll(Administered in) {
    return AccessList.of(in.moment.snapshot(), Structures.NOW, in.moment.snapshot().placeNumber(placeOf(in)));
  }

  @Benchmark
  public AccessList accessListOfLibrary(Administered in) {
    return AccessList.of(in.ofLibrary.snapshot(), Structures.NOW, in.ofLibrary.snapshot().placeNumber(placeOf(in)));
  }

  @Benchmark
  public AccessList accessListOfWalled(Administered in) {
    String place = placeOf(in);
    int number = in.ofWalled.snapshot().placeNumber(place);
    return number < 0 ? null : AccessList.of(in.ofWalled.snapshot(), Structures.NOW, number);
  }

  /** What a person finds, after a change: made once. */
  @Benchmark
  @OutputTimeUnit(TimeUnit.MILLISECONDS)
  public FoundPlaces whatAPersonFinds(Administered in) {
    return FoundPlaces.of(in.moment, in.random.nextInt(in.moment.snapshot().personCount()));
  }

  private static String placeOf(Administered in) {
    Snapshot library = in.ofLibrary.snapshot();
    int number = in.random.nextInt(in.placesOfLibrary.length);
    return library.hasPlace(number) ? library.place(number).id() : "l1";
  }
}
