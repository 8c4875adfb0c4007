package palegate.server.exports;

import java.io.File;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import org.springframework.http.HttpStatus;
import palegate.exports.UnreadableFile;
import palegate.server.shell.Problem;

/** Reads a file that was sent. The gate has bounded it by then; nothing of it is kept. */
public final class Uploads {
  /** Whatever reads it. */
  public interface Reader<T> {
    T read(File file) throws IOException;
  }

  private Uploads() {}

  /** What cannot be read is told as a problem, with what would be right. */
  public static <T> T read(InputStream body, Reader<T> reader) throws IOException {
    Path file = Files.createTempFile("pale-gate-upload", ".tmp");
    try {
      Files.copy(body, file, StandardCopyOption.REPLACE_EXISTING);
      return reader.read(file.toFile());
    } catch (UnreadableFile unreadable) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "unreadable-file", "Not a file that can be read here", unreadable.getMessage());
    } finally {
      Files.deleteIfExists(file);
    }
  }
}
