package palegate.server.testkit;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.stream.Stream;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.jdbc.datasource.DriverManagerDataSource;

/** A private MariaDB for tests, started by the same script that the start command uses. */
public final class TestDatabase implements AutoCloseable {
  private final Path folder;

  private TestDatabase(Path folder) {
    this.folder = folder;
  }

  public static TestDatabase start() {
    try {
      TestDatabase database = new TestDatabase(Files.createTempDirectory("palegate-test-"));
      Runtime.getRuntime().addShutdownHook(new Thread(database::close));
      database.resume();
      return database;
    } catch (IOException failed) {
      throw new IllegalStateException("No folder for a test database could be made.", failed);
    }
  }

  /** Starts it again, on the port it had. */
  public void resume() {
    script("start");
  }

  /** Takes it away under way. */
  public void stop() {
    script("stop");
  }

  public String url() {
    return "jdbc:mariadb://127.0.0.1:" + read("port") + "/palegate";
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
    if (Files.exists(folder)) {
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
      int code = new ProcessBuilder("bash", script.toString(), command, folder.toString())
          .redirectErrorStream(true).redirectOutput(output.toFile()).start().waitFor();
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
