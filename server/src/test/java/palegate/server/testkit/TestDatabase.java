package palegate.server.testkit;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/**
 * A database for a class of tests: a schema of its own on the one private MariaDB of the run, which the same script starts that
 * the start command uses. Tests that take the server away, or count what it is asked, have a server of their own.
 */
public final class TestDatabase implements AutoCloseable {
  private static final String FIRST = "palegate";
  private static final AtomicInteger SCHEMAS = new AtomicInteger();
  private static TestDatabase shared;

  private final Path folder;
  private final String schema;
  private final boolean own;

  private TestDatabase(Path folder, String schema, boolean own) {
    this.folder = folder;
    this.schema = schema;
    this.own = own;
  }

  /** A new schema on the server that all share. */
  public static synchronized TestDatabase start() {
    if (shared == null) {
      shared = startOwn();
    }
    String schema = FIRST + "_" + SCHEMAS.incrementAndGet();
    shared.asOwner().sql("CREATE DATABASE " + schema + " CHARACTER SET utf8mb4 COLLATE utf8mb4_bin").update();
    return new TestDatabase(shared.folder, schema, false);
  }

  /** A server of its own. */
  public static TestDatabase startOwn() {
    try {
      TestDatabase database = new TestDatabase(newFolder(), FIRST, true);
      Runtime.getRuntime().addShutdownHook(new Thread(database::close));
      database.resume();
      return database;
    } catch (IOException failed) {
      throw new IllegalStateException("No folder for a test database could be made.", failed);
    }
  }

  /** In memory where there is enough of it: making some hundred tables a class waits for the disk more than for anything else. */
  private static Path newFolder() throws IOException {
    Path memory = Path.of("/dev/shm");
    boolean roomy = Files.isWritable(memory) && Files.getFileStore(memory).getUsableSpace() > 6L << 30;
    return roomy ? Files.createTempDirectory(memory, "palegate-test-") : Files.createTempDirectory("palegate-test-");
  }

  /** As a class of tests wishes. */
  public static TestDatabase startFor(Class<?> tests) {
    return tests.isAnnotationPresent(OwnDatabase.class) ? startOwn() : start();
  }

  /** Starts it again, on the port it had. */
  public void resume() {
    refuseIfShared();
    script("start");
  }

  /** Takes it away under way. */
  public void stop() {
    refuseIfShared();
    script("stop");
  }

  private void refuseIfShared() {
    if (!own) {
      throw new IllegalStateException("Other tests are on this server too. Say @OwnDatabase.");
    }
  }

  public String url() {
    return "jdbc:mariadb://127.0.0.1:" + read("port") + "/" + schema;
  }

  public String password() {
    return read("password");
  }

  public String ownerPassword() {
    return read("owner-password");
  }

  /** For what the application itself may not do: to alter tables, to do something behind its back. */
  public JdbcClient asOwner() {
    return JdbcClient.create(new DriverManagerDataSource(url(), "palegate_owner", ownerPassword()));
  }

  @Override
  public void close() {
    if (!own) {
      asOwner().sql("DROP DATABASE " + schema).update();
    } else if (Files.exists(folder)) {
      stop();
      try (Stream<Path> files = Files.walk(folder)) {
        files.sorted(Comparator.reverseOrder()).forEach(file -> file.toFile().delete());
      } catch (IOException failed) {
        throw new IllegalStateException("The test database's folder could not be removed: " + folder, failed);
      }
    }
  }

  private void script(String command) {
    Path script = Path.of("..", "scripts", "database").toAbsolutePath().normalize();
    try {
      Path output = Files.createTempFile("palegate-database", ".log");
      ProcessBuilder run = new ProcessBuilder("bash", script.toString(), command, folder.toString());
      run.environment().put("PALEGATE_TEST_SCHEMAS", "yes");
      int code = run.redirectErrorStream(true).redirectOutput(output.toFile()).start().waitFor();
      String said = Files.readString(output);
      Files.delete(output);
      if (code != 0) {
        throw new IllegalStateException("The test database did not " + command + ": " + said);
      }
    } catch (IOException failed) {
      throw new IllegalStateException(failed);
    } catch (InterruptedException interrupted) {
      Thread.currentThread().interrupt();
      throw new IllegalStateException(interrupted);
    }
  }

  private String read(String name) {
    try {
      return Files.readString(folder.resolve(name)).strip();
    } catch (IOException failed) {
      throw new IllegalStateException(failed);
    }
  }
}
