package palegate.cli;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.PrintWriter;
import java.io.Writer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/**
 * Where a command writes: standard output or a file. A file is written beside its place and moved
 * there at the end, so that a run that fails leaves nothing half-written.
 */
final class Output {
  /** Writes the answer, line by line. */
  interface Lines {
    void writeTo(Writer writer) throws IOException;
  }

  private Output() {}

  static void write(Path file, PrintWriter standard, Lines lines) throws IOException {
    if (file == null) {
      lines.writeTo(standard);
      standard.flush();
      return;
    }
    Path folder = file.toAbsolutePath().getParent();
    if (!Files.isDirectory(folder)) {
      throw new IOException("The folder " + folder + " does not exist.");
    }
    Path unfinished = Files.createTempFile(folder, ".palegate", ".part");
    try {
      try (BufferedWriter writer = Files.newBufferedWriter(unfinished, StandardCharsets.UTF_8)) {
        lines.writeTo(writer);
      }
      Files.move(unfinished, file, StandardCopyOption.REPLACE_EXISTING);
    } finally {
      Files.deleteIfExists(unfinished);
    }
  }
}
