package palegate.server.shell;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/** Reads what somebody sent in a process of its own, with limits on time and memory: what is made to hurt takes that process with it alone. */
public final class ReaderProcess {
  private static final Logger LOG = LoggerFactory.getLogger(ReaderProcess.class);

  private ReaderProcess() {}

  /**
   * What a program writes; refused with an exception if it takes too long or too much memory, or fails.
   *
   * @param program one with a main method, on this application's class path
   * @param megabytes of heap
   * @param in what it reads; null for nothing
   */
  public static String run(Class<?> program, List<String> arguments, int megabytes, Duration timeAtMost, byte[] in) throws IOException, InterruptedException {
    Path out = Files.createTempFile("palegate", ".txt");
    try {
      List<String> command = new ArrayList<>(List.of(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-Xmx" + megabytes + "m", "-Xss512k", "-Djava.awt.headless=true",
          "-cp", System.getProperty("java.class.path"), program.getName()));
      command.addAll(arguments);
      Process process = new ProcessBuilder(command).redirectOutput(out.toFile()).redirectError(ProcessBuilder.Redirect.DISCARD).start();
      try (OutputStream input = process.getOutputStream()) {
        if (in != null) {
          input.write(in);
        }
      } catch (IOException ended) {
        LOG.debug("The reader ended before it had read all", ended);
      }
      if (!process.waitFor(timeAtMost.toMillis(), TimeUnit.MILLISECONDS)) {
        process.destroyForcibly().waitFor();
        throw new IOException("it took longer than " + timeAtMost.toSeconds() + " s");
      }
      if (process.exitValue() != 0) {
        throw new IOException("it is not a document of its kind, or too large");
      }
      return Files.readString(out, StandardCharsets.UTF_8);
    } finally {
      Files.deleteIfExists(out);
    }
  }
}
