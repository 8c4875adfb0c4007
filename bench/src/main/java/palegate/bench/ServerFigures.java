package palegate.bench;

import java.time.Instant;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import org.springframework.security.crypto.password.PasswordEncoder;
import palegate.core.access.Grant;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.walls.Wall;
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

  private static final String FEW = "few";
  private static final int SEARCHES = 60;
  private static final int WARM_UP = 15;

  static void run(Structures.Size size) throws Exception {
    SpringApplication application = new SpringApplication(PaleGate.class);
    try (ConfigurableApplicationContext context = application.run("--logging.level.root=WARN", "--palegate.demo=false",
        "--server.port=0", "--spring.main.log-startup-info=false")) {
      StructureStore store = context.getBean(StructureStore.class);
      System.out.printf("%nFrom MariaDB, structure %s%n", size);
      if (store.head() == 0) {
        broughtIn(context, size, Instant.now());
      }
      for (int i = 0; i < LOADS; i++) {
        long start = System.nanoTime();
        Structure loaded = store.asOf(store.head());
        double rows = seconds(start);
        int classes = Snapshot.of(loaded).at(Structures.NOW).classCount();
        System.out.printf(Locale.ROOT, "  loaded and compiled in %.1f s (%.1f s of it rows; %,d classes)%n", seconds(start), rows, classes);
      }
      int port = Integer.parseInt(context.getEnvironment().getProperty("local.server.port", "0"));
      Structure structure = withAdministrator(Structures.of(size));
      searching(port);
      WalkFigures.run(new HttpSession("http://127.0.0.1:" + port, LOGIN, PASSWORD), structure);
      // Before anything is removed that may be asked for.
      new LoadGenerator(port, LOGIN, PASSWORD, structure).run();
      AdministratorAtWork administrator = new AdministratorAtWork(new HttpSession("http://127.0.0.1:" + port, LOGIN, PASSWORD), structure);
      administrator.run();
      administrator.followed(context.getBean(Snapshots.class));
      StatementFigures.overHttp(new HttpSession("http://127.0.0.1:" + port, LOGIN, PASSWORD), context.getBean(Snapshots.class).current().snapshot());
    }
  }

  /** Brings a structure in, with an account for whoever administers everything and one for whoever finds a few papers. */
  static Structure broughtIn(ConfigurableApplicationContext context, Structures.Size size, Instant at) {
    return broughtIn(context, Structures.of(size), at);
  }

  static Structure broughtIn(ConfigurableApplicationContext context, Structure structure, Instant at) {
    Structure made = withAdministrator(structure);
    long start = System.nanoTime();
    context.getBean(Bundles.class).bringIn(made, LOGIN, LOGIN, "Measured", at);
    System.out.printf(Locale.ROOT, "  written as one change in %.1f s%n", seconds(start));
    for (String login : List.of(LOGIN, FEW)) {
      context.getBean(Accounts.class).add(new Accounts.Account(login, login, context.getBean(PasswordEncoder.class).encode(PASSWORD), "p-" + login));
    }
    return made;
  }

  /** Signed in as whoever administers everything. */
  static HttpSession session(ConfigurableApplicationContext context) throws Exception {
    return new HttpSession("http://127.0.0.1:" + context.getEnvironment().getProperty("local.server.port"), LOGIN, PASSWORD);
  }

  /** Somebody with every duty, whom no wall bars and who finds everything; and somebody who finds a few papers. */
  private static Structure withAdministrator(Structure made) {
    Subject administrator = new Subject.OfPerson("p-" + LOGIN);
    String root = made.repository().orElseThrow().id();
    Map<String, Wall> walls = new HashMap<>();
    made.walls().forEach((id, wall) -> walls.put(id, wall.except(new Wall.Exempt(administrator, null))));
    String folder = made.places().values().stream().filter(place -> place.kind() == PlaceKind.FOLDER).map(Place::id).reduce((one, other) -> other).orElseThrow();
    return made.withWalls(walls)
        .withPeople(Map.of("p-" + LOGIN, new Person("p-" + LOGIN, LOGIN, LOGIN, null, false, true, null), "p-" + FEW, new Person("p-" + FEW, FEW, FEW, null, false, true, null)))
        .withGrants(Map.of("e-all", new Grant("e-all", root, administrator, "r5", Set.of(), Period.ALWAYS, null),
            "e-few", new Grant("e-few", folder, new Subject.OfPerson("p-" + FEW), "r5", Set.of(), Period.ALWAYS, null)))
        .administeredBy(Arrays.stream(Duty.values()).map(duty -> new DutyAssignment("du-" + duty.word(), administrator, duty, duty.scope() == Duty.ScopeKind.PLACE ? root : null, null, null, Period.ALWAYS)).toList());
  }

  /** Searching papers, for rare and common words, for who finds everything and who finds a few. */
  private static void searching(int port) throws Exception {
    System.out.printf("%nSearching papers%n");
    for (String login : List.of(LOGIN, FEW)) {
      HttpSession session = new HttpSession("http://127.0.0.1:" + port, login, PASSWORD);
      for (String word : List.of("document", "12345")) {
        double[] times = new double[SEARCHES];
        for (int i = -WARM_UP; i < SEARCHES; i++) {
          long start = System.nanoTime();
          session.get("/api/papers/search?text=" + word);
          if (i >= 0) {
            times[i] = seconds(start) * 1e3;
          }
        }
        Arrays.sort(times);
        System.out.printf(Locale.ROOT, "  %s, \"%s\": p50 %.0f ms, p95 %.0f ms%n", login.equals(FEW) ? "finds a few" : "finds all", word, times[SEARCHES / 2], times[SEARCHES * 95 / 100]);
      }
    }
  }

  private static double seconds(long start) {
    return (System.nanoTime() - start) / 1e9;
  }
}
