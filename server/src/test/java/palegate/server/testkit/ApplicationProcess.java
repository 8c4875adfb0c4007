package palegate.server.testkit;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.ServerSocket;
import java.nio.file.Path;
import java.time.Duration;
import java.util.concurrent.TimeUnit;

/** The application with the demo as a process of its own, so that it can be killed without warning. */
public final class ApplicationProcess implements AutoCloseable {
  private static final Duration STARTS_WITHIN = Duration.ofSeconds(90);

  private final Process process;
  private final String address;

  private ApplicationProcess(Process process, String address) {
    this.process = process;
    this.address = address;
  }

  public static ApplicationProcess start(TestDatabase database) throws IOException {
    int port = freePort();
    Process process = new ProcessBuilder(Path.of(System.getProperty("java.home"), "bin", "java").toString(), "-XX:TieredStopAtLevel=1",
        "-cp", System.getProperty("java.class.path"), "palegate.server.PaleGate", "--server.port=" + port, "--palegate.demo=true",
        "--logging.level.root=WARN", "--spring.datasource.url=" + database.url(), "--spring.datasource.password=" + database.password(), "--spring.flyway.password=" + database.ownerPassword())
        .redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start();
    return new ApplicationProcess(process, "http://127.0.0.1:" + port);
  }

  /** As soon as it answers. */
  public Browser signedIn(String login) throws InterruptedException {
    long until = System.nanoTime() + STARTS_WITHIN.toNanos();
    while (true) {
      try {
        return Browser.at(address).signIn(login, "pale-gate-demo");
      } catch (IllegalStateException notYet) {
        assertThat(process.isAlive()).as("the application should start").isTrue();
        assertThat(System.nanoTime()).as("within %s", STARTS_WITHIN).isLessThan(until);
        TimeUnit.MILLISECONDS.sleep(200);
      }
    }
  }

  public void kill() throws InterruptedException {
    process.destroyForcibly().waitFor();
  }

  @Override
  public void close() throws InterruptedException {
    kill();
  }

  private static int freePort() throws IOException {
    try (ServerSocket socket = new ServerSocket(0)) {
      return socket.getLocalPort();
    }
  }
}
