package palegate.cli;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;

/**
 * Where a command writes: standard output or a file. A file is written beside its place and moved
 * there at the end, so that a run that fails leaves nothing half-written.
 */
final class Output {
  /** Writes the answer. */
  interface Answer {
    void writeTo(OutputStream out) throws IOException;
  }

  private Output() {}

  /** Writes to a file, or to standard output if the file is null. */
  static void write(Path file, Answer answer) throws IOException {
    if (file == null) {
      answer.writeTo(System.out);
      System.out.flush();
      return;
    }
    Path folder = file.toAbsolutePath().getParent();
    if (!Files.isDirectory(folder)) {
      throw new IOException("The folder " + folder + " does not exist.");
    }
    Path unfinished = Files.createTempFile(folder, ".palegate", ".part");
    try {
      try (OutputStream out = Files.newOutputStream(unfinished)) {
        answer.writeTo(out);
      }
      Files.move(unfinished, file, StandardCopyOption.REPLACE_EXISTING);
    } finally {
      Files.deleteIfExists(unfinished);
    }
  }
}
