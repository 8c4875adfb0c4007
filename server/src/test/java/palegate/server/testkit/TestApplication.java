package palegate.server.testkit;

import java.time.Clock;
import java.time.Instant;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.web.server.servlet.context.ServletWebServerApplicationContext;
import org.springframework.context.support.GenericApplicationContext;
import palegate.server.PaleGate;

/** The application on a free port, with a database and a clock of its own and the demo in it. */
public final class TestApplication implements AutoCloseable {
  /** The day on which the demo of the tests is set up. */
  public static final Instant TODAY = Instant.parse("2026-11-24T10:00:00Z");

  private final TestDatabase database;
  /** What the first administrator of an empty repository signs in with. */
  public static final String FIRST_PASSWORD = "first-of-all";

  private final SettableClock clock;
  private final boolean demo;
  private ServletWebServerApplicationContext context;

  private final String size;

  private TestApplication(TestDatabase database, SettableClock clock, boolean demo, String size) {
    this.database = database;
    this.clock = clock;
    this.demo = demo;
    this.size = size;
    begin(0);
  }

  /** An empty repository, on the clock of the machine. */
  public static TestApplication startEmpty(TestDatabase database) {
    return new TestApplication(database, new SettableClock(Instant.now()), false, "small");
  }

  public static TestApplication start(TestDatabase database) {
    return new TestApplication(database, new SettableClock(TODAY), true, "small");
  }

  /** Another instance on the same database, with the same clock. */
  public TestApplication another() {
    return new TestApplication(database, clock, demo, size);
  }

  /** On the clock of the machine, as browsers are. */
  public static TestApplication startNow(TestDatabase database) {
    return startNow(database, "small");
  }

  /** The same with the demo, or with a large structure in its place. */
  public static TestApplication startNow(TestDatabase database, String size) {
    return new TestApplication(database, new SettableClock(Instant.now()), true, size);
  }

  public String address() {
    return "http://127.0.0.1:" + context.getWebServer().getPort();
  }

  public TestDatabase database() {
    return database;
  }

  public SettableClock clock() {
    return clock;
  }

  public <T> T bean(Class<T> type) {
    return context.getBean(type);
  }

  /** Ends the application and begins it again on the same database and port. */
  public void restart() {
    int port = context.getWebServer().getPort();
    context.close();
    begin(port);
  }

  public Browser signedIn(String login) {
    return Browser.at(address()).signIn(login, "pale-gate-demo");
  }

  @Override
  public void close() {
    context.close();
  }

  /** One after the other: beginning sets properties of the whole process while others are read. */
  private void begin(int port) {
    synchronized (TestApplication.class) {
      run(port);
    }
  }

  private void run(int port) {
    SpringApplication application = new SpringApplication(PaleGate.class);
    application.addInitializers(begun ->
        ((GenericApplicationContext) begun).registerBean("testClock", Clock.class, () -> clock, definition -> definition.setPrimary(true)));
    context = (ServletWebServerApplicationContext) application.run("--server.port=" + port,
        "--palegate.demo=" + demo, "--palegate.password-strength=4", "--palegate.demo-size=" + size, "--PALEGATE_FIRST_PASSWORD=" + FIRST_PASSWORD, "--logging.level.root=WARN", "--spring.main.log-startup-info=false",
        "--spring.datasource.url=" + database.url(), "--spring.datasource.password=" + database.password(), "--spring.flyway.password=" + database.ownerPassword());
  }
}
