package palegate.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import palegate.core.bundle.BundleReader;
import palegate.core.bundle.Fault;
import palegate.core.bundle.InvalidBundle;
import palegate.core.snapshot.Snapshot;

/** Reads a bundle named on the command line. */
final class BundleFile {
  /** A bundle with faults, and the name of its file. */
  static final class Refused extends Exception {
    private final String file;
    private final transient List<Fault> faults;

    Refused(Path file, InvalidBundle invalid) {
      super(invalid.getMessage(), invalid);
      this.file = file.toString();
      this.faults = invalid.faults();
    }

    /** One line a fault: file, JSON pointer, what is wrong and what would be right. */
    List<String> lines() {
      return faults.stream()
          .map(fault -> file + ": " + fault.pointer() + ": " + fault.what() + " " + fault.remedy()).toList();
    }
  }

  /** Several files with faults. */
  static final class SeveralRefused extends Exception {
    private final transient List<Refused> files;

    SeveralRefused(List<Refused> files) {
      super(files.get(0).getMessage(), files.get(0));
      this.files = List.copyOf(files);
    }

    List<String> lines() {
      return files.stream().flatMap(file -> file.lines().stream()).toList();
    }
  }

  private BundleFile() {}

  static BundleReader.Read read(Path file) throws IOException, Refused {
    if (!Files.isRegularFile(file)) {
      throw new IOException("There is no file " + file + ".");
    }
    try {
      return BundleReader.read(Files.readAllBytes(file));
    } catch (InvalidBundle invalid) {
      throw new Refused(file, invalid);
    }
  }

  static Snapshot snapshot(Path file) throws IOException, Refused {
    return Snapshot.of(read(file).structure());
  }
}
