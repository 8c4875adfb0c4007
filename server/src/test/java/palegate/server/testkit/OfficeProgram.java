package palegate.server.testkit;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;

/** A spreadsheet program that people use, without a screen: it opens our files and saves them its own way. The test command installs it. */
public final class OfficeProgram {
  private static final String PROGRAM = "soffice";
  private static final long SECONDS = 180;

  private OfficeProgram() {}

  public static boolean isThere() {
    return Stream.of(System.getenv("PATH").split(":")).anyMatch(folder -> Files.isExecutable(Path.of(folder, PROGRAM)));
  }

  /** The file as the program saves it: {@code xlsx}, {@code csv} of its first table, or {@code pdf} as it would print it. */
  public static Path saved(Path file, String format, Path folder) throws IOException {
    return saved(List.of(file), format, folder).get(0);
  }

  /** Many at once: the program takes some seconds to start. */
  public static List<Path> saved(List<Path> files, String format, Path folder) throws IOException {
    Path out = Files.createDirectories(folder.resolve("saved-" + format));
    List<String> command = new ArrayList<>(List.of(PROGRAM, "--headless", "--norestore", "-env:UserInstallation=" + folder.resolve("profile").toUri(), "--convert-to", format, "--outdir", out.toString()));
    files.forEach(file -> command.add(file.toString()));
    Process process = new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(folder.resolve("said.txt").toFile()).start();
    try {
      if (!process.waitFor(SECONDS, TimeUnit.SECONDS)) {
        throw new IOException(PROGRAM + " did not save " + files + " as " + format + " in " + SECONDS + " seconds.");
      }
    } catch (InterruptedException stopped) {
      Thread.currentThread().interrupt();
      throw new IOException(stopped);
    } finally {
      process.descendants().forEach(ProcessHandle::destroyForcibly);
      process.destroyForcibly();
    }
    List<Path> saved = files.stream().map(file -> out.resolve(file.getFileName().toString().replaceFirst("\\.[a-z]+$", "") + "." + format)).toList();
    for (Path one : saved) {
      if (!Files.exists(one)) {
        throw new IOException(PROGRAM + " did not save " + one + ": " + Files.readString(folder.resolve("said.txt")));
      }
    }
    return saved;
  }
}
