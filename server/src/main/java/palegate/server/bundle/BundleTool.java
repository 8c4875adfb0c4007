package palegate.server.bundle;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.WebApplicationType;
import org.springframework.context.ConfigurableApplicationContext;
import palegate.core.bundle.BundleReader;
import palegate.core.bundle.BundleWriter;
import palegate.core.bundle.InvalidBundle;
import palegate.server.PaleGate;

/** {@code import FILE [--note TEXT]} and {@code export FILE [--change N]} on the running database. */
public final class BundleTool {
  private BundleTool() {}

  public static void main(String[] arguments) throws IOException {
    System.exit(run(arguments));
  }

  /** Runs one command; the answer is the exit code. */
  static int run(String... arguments) throws IOException {
    Path file = Path.of(arguments[1]);
    String option = arguments.length > 3 ? arguments[3] : null;
    try {
      if (arguments[0].equals("import")) {
        BundleReader.Read read = BundleReader.read(Files.readAllBytes(file));
        return bringIn(read, file, option);
      }
      return takeOut(file, option == null ? 0 : Long.parseLong(option));
    } catch (InvalidBundle invalid) {
      invalid.faults().forEach(fault ->
          System.err.println(file + ": " + fault.pointer() + ": " + fault.what() + " " + fault.remedy()));
      return 1;
    } catch (IllegalArgumentException wrong) {
      System.err.println(wrong.getMessage());
      return 2;
    } catch (NoSuchFileException missing) {
      System.err.println("There is no file " + file + ".");
      return 2;
    }
  }

  private static int bringIn(BundleReader.Read read, Path file, String note) {
    try (ConfigurableApplicationContext context = context()) {
      String user = System.getProperty("user.name");
      long change = context.getBean(Bundles.class).bringIn(read.structure(), "command line", user + ", command line",
          note == null ? "Brought in from " + file.getFileName() : note, Instant.now());
      read.completed().forEach(System.out::println);
      System.out.println(change == 0 ? "Nothing differs from the structure in force; no change was made."
          : "Brought in as change " + change + ".");
      return 0;
    }
  }

  private static int takeOut(Path file, long change) throws IOException {
    Path unfinished = Files.createTempFile(file.toAbsolutePath().getParent(), ".palegate", ".part");
    try (ConfigurableApplicationContext context = context()) {
      try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(unfinished))) {
        BundleWriter.write(context.getBean(Bundles.class).takeOut(change), out);
      }
      Files.move(unfinished, file, StandardCopyOption.REPLACE_EXISTING);
      System.out.println("Written to " + file + ".");
      return 0;
    } finally {
      Files.deleteIfExists(unfinished);
    }
  }

  private static ConfigurableApplicationContext context() {
    SpringApplication application = new SpringApplication(PaleGate.class);
    application.setWebApplicationType(WebApplicationType.NONE);
    application.setLazyInitialization(true);
    return application.run("--logging.level.root=WARN", "--palegate.demo=false", "--spring.main.log-startup-info=false");
  }
}
