package palegate.server.papers;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import palegate.server.store.TextIndex;

/** Puts what documents say into the index, one after the other, outside the request; what cannot be read is found by its name alone. */
@Component
public class TextExtraction {
  private static final Logger LOG = LoggerFactory.getLogger(TextExtraction.class);
  private static final int WAITING_AT_MOST = 500;

  private final TextIndex index;
  private final Duration timeAtMost;
  private final ThreadPoolExecutor worker;

  TextExtraction(TextIndex index, @Value("${palegate.extraction-time:20s}") Duration timeAtMost) {
    this.index = index;
    this.timeAtMost = timeAtMost;
    worker = new ThreadPoolExecutor(1, 1, 0, TimeUnit.SECONDS, new ArrayBlockingQueue<>(WAITING_AT_MOST), new ThreadPoolExecutor.CallerRunsPolicy());
  }

  /** Plain text is kept at once, so that whoever put it there finds it; what must be unpacked is read by and by. */
  public void read(String place, int version, String mediaType, byte[] bytes) {
    if (mediaType.startsWith("image/")) {
      index.keep(place, version, "");
    } else if (mediaType.equals("text/plain")) {
      index.keep(place, version, new String(bytes, StandardCharsets.UTF_8));
    } else {
      worker.execute(() -> keep(place, version, mediaType, bytes));
    }
  }

  private void keep(String place, int version, String mediaType, byte[] bytes) {
    try {
      index.keep(place, version, extracted(mediaType, bytes));
    } catch (IOException | RuntimeException unreadable) {
      LOG.warn("The text of a document could not be read: {}", unreadable.getMessage());
    } catch (InterruptedException stopping) {
      Thread.currentThread().interrupt();
    }
  }

  /** What a document says; refused with an exception if it takes too long, too much memory, or is not what it says it is. */
  String extracted(String mediaType, byte[] bytes) throws IOException, InterruptedException {
    Path out = Files.createTempFile("palegate", ".txt");
    try {
      Process process = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-Xmx128m", "-Xss512k", "-Djava.awt.headless=true",
          "-cp", System.getProperty("java.class.path"), ExtractText.class.getName(), mediaType)
          .redirectOutput(out.toFile()).redirectError(ProcessBuilder.Redirect.DISCARD).start();
      try (OutputStream in = process.getOutputStream()) {
        in.write(bytes);
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
      return Files.readString(out);
    } finally {
      Files.deleteIfExists(out);
    }
  }

  @PreDestroy
  void end() {
    worker.shutdownNow();
  }
}
