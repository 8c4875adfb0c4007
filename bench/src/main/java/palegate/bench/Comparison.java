package palegate.bench;

import java.util.Arrays;
import java.util.Locale;
import java.util.Random;
import java.util.function.IntBinaryOperator;
import palegate.core.questions.WhoCan;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.demo.Structures;

/**
 * The engine beside the obvious alternatives, on the subset of the rules that they can express, on the same
 * structure in the same run: recursive SQL on MariaDB, an access-control-list library, a policy library. Each is
 * first asked the same questions as the engine, and has to give the same answers.
 */
final class Comparison {
  private static final int AGREEMENT = 300;
  private static final int ROUNDS = 5;

  private final Snapshot snapshot;
  private final SnapshotAt moment;

  private Comparison(Structures.Size size) {
    Structure structure = Subset.of(Structures.of(size));
    snapshot = Snapshot.of(structure);
    moment = snapshot.at(Structures.NOW);
  }

  static void run(Structures.Size size) throws Exception {
    Comparison comparison = new Comparison(size);
    System.out.printf("%nBeside the alternatives, structure %s, read of a random person at a random document%n", size);
    double engine = comparison.nanoseconds("this engine", 2_000_000, (person, place) ->
        comparison.moment.rights(person, place).contains(Right.READ) ? 1 : 0);
    if (System.getenv("PALEGATE_DB_URL") != null) {
      try (SqlAlternative sql = new SqlAlternative(comparison.snapshot)) {
        comparison.compare("recursive SQL on MariaDB", engine, 300, sql::mayRead);
        double who = comparison.nanoseconds("this engine, who can read", 20_000,
            (person, place) -> WhoCan.holding(comparison.moment, Right.READ, place).numbers().length);
        comparison.compare("recursive SQL, who can read", who, 100, (person, place) -> sql.readers(place));
      }
    }
    AclAlternative acl = new AclAlternative(comparison.snapshot);
    comparison.compare("spring-security-acl, in memory", engine, 20_000, acl::mayRead);
    CasbinAlternative casbin = new CasbinAlternative(comparison.snapshot);
    comparison.compare("jCasbin, in memory", engine, 20, casbin::mayRead);
  }

  private void compare(String name, double engine, int questions, IntBinaryOperator ask) {
    boolean counts = name.contains("who can");
    Random random = new Random(11);
    for (int i = 0; i < Math.min(AGREEMENT, questions); i++) {
      int person = random.nextInt(snapshot.personCount());
      int place = random.nextInt(snapshot.placeCount());
      int expected = counts ? WhoCan.holding(moment, Right.READ, place).count() : moment.rights(person, place).contains(Right.READ) ? 1 : 0;
      int answered = ask.applyAsInt(person, place);
      if (answered != expected) {
        throw new IllegalStateException(name + " answers [" + answered + "] where the engine answers [" + expected + "], for "
            + snapshot.person(person).id() + " at " + snapshot.place(place).id());
      }
    }
    double other = nanoseconds(name, questions, ask);
    System.out.printf(Locale.ROOT, "    %,.0f times as long%n", other / engine);
  }

  /** The median of several rounds, by question. */
  private double nanoseconds(String name, int questions, IntBinaryOperator ask) {
    double[] rounds = new double[ROUNDS];
    int sum = 0;
    for (int round = -1; round < ROUNDS; round++) {
      Random random = new Random(round);
      long start = System.nanoTime();
      for (int i = 0; i < questions; i++) {
        sum += ask.applyAsInt(random.nextInt(snapshot.personCount()), random.nextInt(snapshot.placeCount()));
      }
      if (round >= 0) {
        rounds[round] = (System.nanoTime() - start) / (double) questions;
      }
    }
    Arrays.sort(rounds);
    System.out.printf(Locale.ROOT, "  %-34s %,14.0f ns a question (%d answered yes or counted)%n", name, rounds[ROUNDS / 2], sum);
    return rounds[ROUNDS / 2];
  }
}
