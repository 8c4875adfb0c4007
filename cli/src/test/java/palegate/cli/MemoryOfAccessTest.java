package palegate.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class MemoryOfAccessTest {
  private static final int PEOPLE = 3_000;
  private static final int DOCUMENTS = 3_000;
  private static final int HEAP_MEGABYTES = 48;

  @TempDir Path folder;

  @Test
  void access_writes_many_times_more_rows_than_its_memory_holds() throws Exception {
    Path bundle = Files.writeString(folder.resolve("everyone.json"), everyoneEverywhere());
    Path errors = folder.resolve("errors.txt");
    Process access = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-Xmx" + HEAP_MEGABYTES + "m",
        "-XX:+UseSerialGC", "-cp", System.getProperty("java.class.path"), "palegate.cli.Main", "access", "--bundle", bundle.toString())
        .redirectError(errors.toFile()).start();
    String row = "p1000,d1000,find read copy\n";
    long[] linesAndBytes = linesAndBytes(access.getInputStream());
    assertThat(access.waitFor()).as(Files.readString(errors)).isZero();
    // A line for the heads; the repository and the library are places too.
    assertThat(linesAndBytes[0]).isEqualTo(1 + PEOPLE * (2L + DOCUMENTS));
    assertThat(linesAndBytes[1]).isGreaterThan((long) PEOPLE * DOCUMENTS * row.length()).isGreaterThan(4L * HEAP_MEGABYTES << 20);
  }

  private static String everyoneEverywhere() {
    String people = IntStream.range(1_000, 1_000 + PEOPLE).mapToObj("{\"id\":\"p%1$d\",\"name\":\"Person %1$d\"}"::formatted).collect(Collectors.joining(","));
    String documents = IntStream.range(1_000, 1_000 + DOCUMENTS)
        .mapToObj("{\"id\":\"d%1$d\",\"kind\":\"document\",\"parent\":\"l\",\"name\":\"Document %1$d\"}"::formatted).collect(Collectors.joining(","));
    return """
        {"format":"pale-gate-bundle","version":1,"people":[%s],
         "roles":[{"id":"r","name":"Reader","rights":["copy"]}],
         "places":[{"id":"root","kind":"repository","name":"R"},{"id":"l","kind":"library","parent":"root","name":"L"},%s],
         "grants":[{"id":"e","place":"root","subject":{"builtin":"staff"},"role":"r"}]}
        """.formatted(people, documents);
  }

  private static long[] linesAndBytes(InputStream in) throws IOException {
    long[] found = new long[2];
    in.transferTo(new OutputStream() {
      @Override
      public void write(int one) {
        found[0] += one == '\n' ? 1 : 0;
        found[1]++;
      }

      @Override
      public void write(byte[] some, int from, int length) {
        for (int i = from; i < from + length; i++) {
          write(some[i]);
        }
      }
    });
    return found;
  }
}
