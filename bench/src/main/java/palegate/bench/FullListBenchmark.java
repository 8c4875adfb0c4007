package palegate.bench;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;
import palegate.core.statements.AccessRows;

/** Every person at every place with any right, into a file; structure M only, and about 2 s a time. */
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.SECONDS)
@Fork(value = 1, jvmArgs = {"-Xms4g", "-Xmx4g", "-Xmn1500m", "-XX:+UseSerialGC", "-XX:+UseTransparentHugePages", "-XX:+AlwaysPreTouch"})
@Warmup(iterations = 2)
@Measurement(iterations = 5)
public class FullListBenchmark {

  @Benchmark
  public long fullList(Loaded loaded, Written written) throws IOException {
    if (!loaded.size.equals("M")) {
      return 0;
    }
    try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(written.file))) {
      written.rows = AccessRows.write(loaded.moment, AccessRows.Format.CSV, true, out);
      return written.rows;
    }
  }

  /** A new file each time. Taking a gigabyte off the disk again takes nearly as long as writing it, and is not measured. */
  @State(Scope.Benchmark)
  public static class Written {
    private Path file;
    private long rows;

    @Setup(Level.Invocation)
    public void create() throws IOException {
      file = Files.createTempFile("palegate", ".csv");
    }

    @TearDown(Level.Invocation)
    public void delete() throws IOException {
      System.out.printf("%,d rows, %,d bytes%n", rows, Files.size(file));
      Files.delete(file);
    }
  }
}
