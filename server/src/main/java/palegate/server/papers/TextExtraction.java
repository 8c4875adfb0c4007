package palegate.server.papers;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;
import palegate.server.shell.ReaderProcess;
import palegate.server.store.TextIndex;

/** Puts what documents say into the index, one after the other, outside the request; what cannot be read is found by its name alone. */
@Component
public class TextExtraction {
  private static final Logger LOG = LoggerFactory.getLogger(TextExtraction.class);
  private static final int WAITING_AT_MOST = 500;

  private static final int MEGABYTES = 128;

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
    return ReaderProcess.run(ExtractText.class, List.of(mediaType), MEGABYTES, timeAtMost, bytes);
  }

  @PreDestroy
  void end() {
    worker.shutdownNow();
  }
}
