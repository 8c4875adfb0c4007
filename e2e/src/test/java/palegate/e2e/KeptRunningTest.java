package palegate.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Duration;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * What the start command leaves running is started again when it dies. The command itself, with stand-ins for the database and
 * the application that do nothing but run; the database does not start as long as its disk is full.
 */
class KeptRunningTest {
  private static final Duration LONGEST = Duration.ofSeconds(60);
  private static final String DATABASE = """
      #!/usr/bin/env bash
      mkdir -p "$2"
      case "$1" in
        start)
          [ ! -e "$2/full" ] || { : >"$2/tried"; echo "The disk is full." >&2; exit 1; }
          setsid sleep 600 </dev/null >/dev/null 2>&1 8>&- 9>&- &
          echo $! >"$2/m.pid.new" && mv "$2/m.pid.new" "$2/m.pid"
          for file in port password owner-password; do echo 1 >"$2/$file"; done ;;
        stop) [ ! -s "$2/m.pid" ] || kill "$(cat "$2/m.pid")"; rm -f "$2/m.pid" ;;
        status) [ -s "$2/m.pid" ] && kill -0 "$(cat "$2/m.pid")" 2>/dev/null ;;
      esac
      """;
  private static final String JAVA = """
      #!/usr/bin/env bash
      echo "Pale Gate is ready"
      exec -a palegate.server.PaleGate sleep 600
      """;

  private record Said(int code, String text) {}

  @TempDir
  private Path folder;
  private Path home;

  @BeforeEach
  void make() throws IOException {
    home = folder.resolve("data of the demo");
    Files.createDirectories(home);
    Files.createDirectories(folder.resolve(".palegate/app-built"));
    Files.createFile(folder.resolve(".palegate/built-app"));
    Files.copy(root().resolve("palegate"), folder.resolve("palegate"), StandardCopyOption.COPY_ATTRIBUTES);
    program("scripts/database", DATABASE);
    program("bin/java", JAVA);
  }

  @AfterEach
  void stop() throws Exception {
    run("stop");
  }

  @Test
  void a_second_home_builds_nothing_again_and_stop_speaks_of_its_own() throws Exception {
    Path other = folder.resolve("another");
    assertThat(run("start").text()).contains("Stop it with  PALEGATE_HOME=").contains("data\\ of\\ the\\ demo").doesNotContain("Building");
    assertThat(run(other, "start").text()).doesNotContain("Building");
    assertThat(folder.resolve("another/app-built")).doesNotExist();
    assertThat(run(other, "stop").text()).contains("is stopped").contains(other.toString());
    assertThat(run(other, "stop").text()).contains("Nothing ran on the data in " + other);
    assertThat(run("status").code()).as("the first one runs on").isZero();
  }

  @Test
  void what_dies_is_started_again_and_said_and_what_is_stopped_stays_stopped() throws Exception {
    assertThat(run("start").code()).isZero();
    assertThat(run("status").text()).doesNotContain("started again");
    long application = pid("app.pid");
    ProcessHandle.of(application).orElseThrow().destroyForcibly();
    untilItRuns();
    assertThat(pid("app.pid")).isNotEqualTo(application);
    assertThat(run("status").text()).contains("something stopped and was started again").contains("The application had stopped");

    Path full = Files.createFile(home.resolve("database/full"));
    ProcessHandle.of(pid("database/m.pid")).orElseThrow().destroyForcibly();
    ProcessHandle.of(pid("app.pid")).orElseThrow().destroyForcibly();
    until(() -> Files.readString(home.resolve("keeper.log")).contains("It does not start yet"));
    assertThat(run("status").code()).isNotZero();
    Files.delete(full);
    untilItRuns();

    ProcessHandle keeper = ProcessHandle.of(pid("keeper.pid")).orElseThrow();
    long database = pid("database/m.pid");
    long again = pid("app.pid");
    assertThat(run("stop").code()).isZero();
    keeper.onExit().get(LONGEST.toSeconds(), TimeUnit.SECONDS);
    until(() -> List.of(database, again).stream().allMatch(pid -> ProcessHandle.of(pid).filter(ProcessHandle::isAlive).isEmpty()));
    assertThat(run("status").code()).isNotZero();
  }

  @Test
  void stopping_does_not_wait_for_a_keeper_that_is_trying() throws Exception {
    assertThat(run("start").code()).isZero();
    Files.createFile(home.resolve("database/full"));
    ProcessHandle.of(pid("database/m.pid")).orElseThrow().destroyForcibly();
    until(() -> Files.readString(home.resolve("keeper.log")).contains("It does not start yet"));
    ProcessHandle keeper = ProcessHandle.of(pid("keeper.pid")).orElseThrow();
    assertThat(run("stop").code()).isZero();
    keeper.onExit().get(LONGEST.toSeconds(), TimeUnit.SECONDS);
    assertThat(home.resolve("keeper.pid")).doesNotExist();
  }

  /** The disk that is full is most often the one on which the keeper writes down what it does. */
  @Test
  void a_keeper_that_can_write_nothing_down_still_starts_again_what_has_died() throws Exception {
    Files.createSymbolicLink(home.resolve("keeper.log"), Path.of("/dev/full"));
    assertThat(run("start").code()).isZero();
    Path full = Files.createFile(home.resolve("database/full"));
    long database = pid("database/m.pid");
    ProcessHandle.of(database).orElseThrow().destroyForcibly();
    until(() -> Files.exists(home.resolve("database/tried")));
    assertThat(ProcessHandle.of(pid("keeper.pid")).filter(ProcessHandle::isAlive)).isPresent();
    Files.delete(full);
    until(() -> {
      Path pid = home.resolve("database/m.pid");
      return Files.exists(pid) && pid("database/m.pid") != database && ProcessHandle.of(pid("database/m.pid")).filter(ProcessHandle::isAlive).isPresent();
    });
  }

  private interface Condition {
    boolean holds() throws Exception;
  }

  private void untilItRuns() throws Exception {
    until(() -> run("status").code() == 0);
  }

  private static void until(Condition condition) throws Exception {
    long end = System.nanoTime() + LONGEST.toNanos();
    while (!condition.holds()) {
      assertThat(System.nanoTime()).as("in time").isLessThan(end);
      LockSupport.parkNanos(20_000_000);
    }
  }

  private long pid(String file) throws IOException {
    return Long.parseLong(Files.readString(home.resolve(file)).strip());
  }

  private Said run(String command) throws IOException, InterruptedException {
    return run(home, command);
  }

  private Said run(Path home, String command) throws IOException, InterruptedException {
    Path said = folder.resolve("said");
    ProcessBuilder process = new ProcessBuilder(folder.resolve("palegate").toString(), command).redirectErrorStream(true).redirectOutput(said.toFile());
    process.environment().put("PALEGATE_HOME", home.toString());
    process.environment().put("PATH", folder.resolve("bin") + ":" + System.getenv("PATH"));
    Process running = process.start();
    assertThat(running.waitFor(LONGEST.toSeconds(), TimeUnit.SECONDS)).as("%s ends", command).isTrue();
    return new Said(running.exitValue(), Files.readString(said));
  }

  private void program(String name, String text) throws IOException {
    Path file = folder.resolve(name);
    Files.createDirectories(file.getParent());
    Files.writeString(file, text);
    Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rwxr-xr-x"));
  }

  private static Path root() {
    Path at = Path.of("").toAbsolutePath();
    while (!Files.exists(at.resolve("palegate"))) {
      at = at.getParent();
    }
    return at;
  }
}
