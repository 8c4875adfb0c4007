package palegate.bench;

import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OperationsPerInvocation;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Warmup;
import palegate.core.access.Trace;
import palegate.core.people.Subject;
import palegate.core.questions.AccessList;
import palegate.core.questions.Explanation;
import palegate.core.matrix.Matrix;
import palegate.core.questions.ReachOf;
import palegate.core.questions.WhoCan;
import palegate.core.roles.Right;
import palegate.core.ways.WaysTo;
import palegate.demo.Structures;

/** The questions that the core answers, in process. */
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MICROSECONDS)
@Fork(value = 1, jvmArgs = {"-Xms4g", "-Xmx4g", "-Xmn1500m", "-XX:+UseSerialGC", "-XX:+UseTransparentHugePages", "-XX:+AlwaysPreTouch"})
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 3, time = 2)
public class QuestionBenchmark {
  private static final int MANY = 1_000;

  /** All nine rights of a uniformly random person at a uniformly random document. */
  @Benchmark
  @BenchmarkMode(Mode.Throughput)
  @OperationsPerInvocation(MANY)
  public int rights(Loaded loaded) {
    int all = 0;
    for (int i = 0; i < MANY; i++) {
      all += loaded.moment.rights(loaded.person(), loaded.document()).mask();
    }
    return all;
  }

  /** The same one by one, for the slow ones among them; the clock itself costs some tens of nanoseconds. */
  @Benchmark
  @OutputTimeUnit(TimeUnit.NANOSECONDS)
  public int rightsOneByOne(Loaded loaded) {
    return loaded.moment.rights(loaded.person(), loaded.document()).mask();
  }

  /** The same of 500 people and 20,000 documents only. */
  @Benchmark
  @BenchmarkMode(Mode.Throughput)
  @OperationsPerInvocation(MANY)
  @Warmup(iterations = 5, time = 2)
  public int rightsSkewed(Loaded loaded) {
    int all = 0;
    for (int i = 0; i < MANY; i++) {
      all += loaded.moment.rights(loaded.oneOfFewPeople(), loaded.oneOfFewDocuments()).mask();
    }
    return all;
  }

  /** The same, a thousand pairs asked for at once. */
  @Benchmark
  @BenchmarkMode(Mode.Throughput)
  @OperationsPerInvocation(MANY)
  public short[] rightsOfManySkewed(Loaded loaded) {
    int[] people = new int[MANY];
    int[] documents = new int[MANY];
    for (int i = 0; i < MANY; i++) {
      people[i] = loaded.oneOfFewPeople();
      documents[i] = loaded.oneOfFewDocuments();
    }
    return loaded.moment.rights(people, documents);
  }

  /** A thousand uniformly random pairs asked for at once. */
  @Benchmark
  @BenchmarkMode(Mode.Throughput)
  @OperationsPerInvocation(MANY)
  public short[] rightsOfMany(Loaded loaded) {
    int[] people = new int[MANY];
    int[] documents = new int[MANY];
    for (int i = 0; i < MANY; i++) {
      people[i] = loaded.person();
      documents[i] = loaded.document();
    }
    return loaded.moment.rights(people, documents);
  }

  @Benchmark
  public int[] whoCanRead(Loaded loaded) {
    return WhoCan.holding(loaded.moment, Right.READ, loaded.document()).numbers();
  }

  /** Every document of the repository with the rights of one person. */
  @Benchmark
  public long reachOf(Loaded loaded) {
    ReachOf reach = ReachOf.person(loaded.moment, loaded.person());
    long found = reach.documents();
    for (int place = 0; place < loaded.snapshot.placeCount(); place++) {
      found += reach.rightsAt(place);
    }
    return found;
  }

  @Benchmark
  public Trace explain(Loaded loaded) {
    return Explanation.of(loaded.moment, Structures.NOW, loaded.person(), loaded.document(), Explanation.WallReasons.SHOWN);
  }

  @Benchmark
  public AccessList accessList(Loaded loaded) {
    return AccessList.of(loaded.snapshot, Structures.NOW, loaded.document());
  }

  /** 50 groups by 500 folders, with how many of their people have exactly that. */
  @Benchmark
  @OutputTimeUnit(TimeUnit.MILLISECONDS)
  public Matrix matrix(Loaded loaded) {
    int groups = loaded.structure.groups().size();
    List<Subject> subjects = IntStream.range(0, 50).mapToObj(i -> (Subject) new Subject.OfGroup("g" + loaded.upTo(groups))).toList();
    int[] folders = IntStream.range(0, 500).map(i -> loaded.snapshot.placeNumber("f" + loaded.upTo(loaded.snapshot.placeCount() / 20))).toArray();
    return Matrix.of(loaded.moment, Structures.NOW, subjects, folders);
  }

  @Benchmark
  @OutputTimeUnit(TimeUnit.MILLISECONDS)
  public WaysTo.Answer waysTo(Loaded loaded) {
    int person = loaded.person();
    int document = loaded.document();
    boolean reads = loaded.moment.rightsNow(person, document).contains(Right.READ);
    return WaysTo.find(loaded.snapshot, Structures.NOW, reads ? WaysTo.Direction.TAKE : WaysTo.Direction.GIVE, Right.READ, person, document);
  }
}
