package palegate.server.bundle;

import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.LinkOption;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.Callable;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.WebApplicationType;
import org.springframework.context.ConfigurableApplicationContext;
import palegate.core.bundle.BundleReader;
import palegate.core.bundle.BundleWriter;
import palegate.core.bundle.InvalidBundle;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Subject;
import palegate.core.structure.Structure;
import palegate.core.viewpoint.SystemHolders;
import palegate.server.PaleGate;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

/** {@code import FILE [--note TEXT] [--replace]} and {@code export FILE [--change N]} on the running database. */
@Command(name = "palegate", subcommands = {BundleTool.BringIn.class, BundleTool.TakeOut.class})
public final class BundleTool {
  private static final int NAMED_AT_MOST = 20;

  public static void main(String[] arguments) {
    System.exit(run(arguments));
  }

  /** Runs one command; the answer is the exit code. */
  static int run(String... arguments) {
    return new CommandLine(new BundleTool()).setExecutionExceptionHandler((failed, command, parsed) -> say(failed)).execute(arguments);
  }

  private static int say(Exception failed) {
    if (failed instanceof IllegalArgumentException) {
      System.err.println(failed.getMessage());
      return 2;
    }
    if (failed instanceof NoSuchFileException missing) {
      System.err.println("There is no file " + missing.getFile() + ".");
      return 2;
    }
    System.err.println("It could not be done, and nothing was changed: " + failed.getMessage());
    return 70;
  }

  /** Brings a bundle in as one change. */
  @Command(name = "import")
  static final class BringIn implements Callable<Integer> {
    @Parameters(paramLabel = "FILE")
    private Path file;

    @Option(names = "--note", paramLabel = "TEXT")
    private String note;

    @Option(names = "--replace")
    private boolean replace;

    @Override
    public Integer call() throws IOException {
      if (note != null && (note.isBlank() || note.length() > 2_000)) {
        throw new IllegalArgumentException("The note is empty or longer than 2,000 characters. Write why, in a sentence.");
      }
      try {
        return bringIn(BundleReader.read(Files.readAllBytes(file)));
      } catch (InvalidBundle invalid) {
        invalid.faults().forEach(fault -> System.err.println(file + ": " + fault.pointer() + ": " + fault.what() + " " + fault.remedy()));
        return 1;
      }
    }

    private int bringIn(BundleReader.Read read) {
      try (ConfigurableApplicationContext context = context()) {
        Bundles bundles = context.getBean(Bundles.class);
        if (!replace && !mayReplace(bundles, read)) {
          return 1;
        }
        String user = System.getProperty("user.name");
        Structure structure = withDuties(bundles, read.structure());
        if (structure == null) {
          return 1;
        }
        long change = bundles.bringIn(structure, "command line", user + ", command line", note == null ? "Brought in from " + file.getFileName() : note, Instant.now());
        read.completed().forEach(System.out::println);
        System.out.println(change == 0 ? "Nothing differs from the structure in force; no change was made." : "Brought in as change " + change + ".");
        return 0;
      }
    }

    /** A file from before there were duties says nothing of them: those stay that are still about something. Null, after saying so, if nobody would hold {@code system}. */
    private Structure withDuties(Bundles bundles, Structure structure) {
      Structure now = bundles.newest() == 0 ? Structure.EMPTY : bundles.takeOut(0).structure();
      Structure administered = structure;
      if (structure.repository().isEmpty()) {
        return structure; // which is refused with a sentence of its own
      }
      if (structure.duties().isEmpty() && !now.duties().isEmpty()) {
        administered = structure.administeredBy(now.duties().values().stream().filter(given -> isAboutSomething(given, structure)).toList());
        System.out.println(file + " says nothing of duties: " + administered.duties().size() + " of " + now.duties().size() + " stay as they are.");
      }
      if (SystemHolders.lostFrom(now, administered, Instant.now()).isPresent()) {
        System.err.println(file + " leaves nobody active who holds the duty [system], so that nobody could hand out duties. Nothing was brought in. Give it to somebody in \"duties\".");
        return null;
      }
      return administered;
    }

    private static boolean isAboutSomething(DutyAssignment given, Structure structure) {
      boolean held = given.subject() instanceof Subject.OfPerson ? structure.people().containsKey(given.subject().id())
          : given.subject() instanceof Subject.OfGroup ? structure.groups().containsKey(given.subject().id()) : structure.units().containsKey(given.subject().id());
      return held && (given.place() == null || structure.places().containsKey(given.place())) && (given.unit() == null || structure.units().containsKey(given.unit()))
          && (given.ceiling() == null || structure.roles().containsKey(given.ceiling()));
    }

    /** A bundle is a whole structure: what has been changed since it was taken out would be undone, unless that is meant. */
    private boolean mayReplace(Bundles bundles, BundleReader.Read read) {
      long newest = bundles.newest();
      if (newest == 0) {
        return true;
      }
      if (read.change() == null || read.change() > newest) {
        System.err.println(file + " does not say which change of this database it stems from. It would replace the whole structure. Nothing was brought in."
            + " Say --replace if that is meant.");
        return false;
      }
      List<String> undone = bundles.undoes(read.structure(), read.change());
      if (undone.isEmpty()) {
        return true;
      }
      System.err.println(file + " stems from change " + read.change() + ", and " + newest + " is the newest. It would undo what has been changed since of "
          + undone.size() + (undone.size() == 1 ? " thing:" : " things:"));
      undone.stream().limit(NAMED_AT_MOST).forEach(thing -> System.err.println("  " + thing));
      System.err.println((undone.size() > NAMED_AT_MOST ? "  and " + (undone.size() - NAMED_AT_MOST) + " more.\n" : "")
          + "Nothing was brought in. Export it anew, make your changes there, or say --replace if undoing them is meant.");
      return false;
    }
  }

  /** Writes the structure as a bundle. */
  @Command(name = "export")
  static final class TakeOut implements Callable<Integer> {
    @Parameters(paramLabel = "FILE")
    private Path file;

    @Option(names = "--change", paramLabel = "N")
    private long change;

    @Override
    public Integer call() throws IOException {
      if (Files.exists(file, LinkOption.NOFOLLOW_LINKS) && !Files.isRegularFile(file, LinkOption.NOFOLLOW_LINKS)) {
        throw new IllegalArgumentException(file + " is not an ordinary file. Name a file that is one, or that is not there yet.");
      }
      Path folder = file.toAbsolutePath().getParent();
      if (folder == null || !Files.isDirectory(folder)) {
        throw new IllegalArgumentException("There is no folder " + folder + ". Name a file in a folder that exists.");
      }
      Path unfinished = Files.createTempFile(folder, ".palegate", ".part");
      try (ConfigurableApplicationContext context = context()) {
        Bundles.Export export = context.getBean(Bundles.class).takeOut(change);
        try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(unfinished))) {
          BundleWriter.write(export.structure(), export.change(), out);
        }
        Files.move(unfinished, file, StandardCopyOption.REPLACE_EXISTING);
        System.out.println("Written to " + file + ", as of change " + export.change() + ".");
        return 0;
      } finally {
        Files.deleteIfExists(unfinished);
      }
    }
  }

  private static ConfigurableApplicationContext context() {
    SpringApplication application = new SpringApplication(PaleGate.class);
    application.setWebApplicationType(WebApplicationType.NONE);
    application.setLazyInitialization(true);
    return application.run("--logging.level.root=WARN", "--palegate.demo=false", "--spring.main.log-startup-info=false");
  }
}
