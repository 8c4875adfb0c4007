package palegate.bench;

import java.time.Instant;
import java.util.Arrays;
import java.util.Locale;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.security.crypto.password.PasswordEncoder;
import palegate.core.duties.Duty;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.demo.Structures;
import palegate.server.PaleGate;
import palegate.server.bundle.Bundles;
import palegate.server.session.Accounts;
import palegate.server.store.Snapshots;
import palegate.server.store.StructureStore;

/** What the database and HTTP add: loading a structure and compiling it, and answers under load. */
final class ServerFigures {
  private static final String LOGIN = "bench";
  private static final String PASSWORD = "bench-password";
  private static final int LOADS = 3;

  private ServerFigures() {}

  static void run(Structures.Size size) throws Exception {
    SpringApplication application = new SpringApplication(PaleGate.class);
    try (ConfigurableApplicationContext context = application.run("--logging.level.root=WARN", "--palegate.demo=false",
        "--server.port=0", "--spring.main.log-startup-info=false")) {
      StructureStore store = context.getBean(StructureStore.class);
      System.out.printf("%nFrom MariaDB, structure %s%n", size);
      if (store.head() == 0) {
        Structure made = Structures.of(size);
        long start = System.nanoTime();
        context.getBean(Bundles.class).bringIn(made, LOGIN, LOGIN, "Measured", Instant.now());
        System.out.printf(Locale.ROOT, "  written as one change in %.1f s%n", seconds(start));
        context.getBean(Accounts.class).add(new Accounts.Account(LOGIN, LOGIN,
            context.getBean(PasswordEncoder.class).encode(PASSWORD), null, Arrays.stream(Duty.values()).map(Duty::word).toList()));
      }
      for (int i = 0; i < LOADS; i++) {
        long start = System.nanoTime();
        Structure loaded = store.asOf(store.head());
        double rows = seconds(start);
        int classes = Snapshot.of(loaded).at(Structures.NOW).classCount();
        System.out.printf(Locale.ROOT, "  loaded and compiled in %.1f s (%.1f s of it rows; %,d classes)%n", seconds(start), rows, classes);
      }
      int port = Integer.parseInt(context.getEnvironment().getProperty("local.server.port", "0"));
      Structure structure = Structures.of(size);
      // Before anything is removed that may be asked for.
      new LoadGenerator(port, LOGIN, PASSWORD, structure).run();
      AdministratorAtWork administrator = new AdministratorAtWork(new HttpSession("http://127.0.0.1:" + port, LOGIN, PASSWORD), structure);
      administrator.run();
      administrator.followed(context.getBean(Snapshots.class));
    }
  }

  private static double seconds(long start) {
    return (System.nanoTime() - start) / 1e9;
  }
}
