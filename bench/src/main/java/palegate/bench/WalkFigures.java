package palegate.bench;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import palegate.core.people.Person;
import palegate.core.structure.Structure;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What walking as somebody takes over HTTP: the first screen, and each step from there down. */
final class WalkFigures {
  private static final int PEOPLE = 12;
  private static final int STEPS = 12;
  private static final long SEED = 20_261_129;

  private WalkFigures() {}

  static void run(HttpSession session, Structure structure) throws Exception {
    Random random = new Random(SEED);
    List<String> people = structure.people().values().stream().filter(Person::active).map(Person::id).sorted().toList();
    List<Double> first = new ArrayList<>();
    List<Double> steps = new ArrayList<>();
    for (int i = 0; i < PEOPLE; i++) {
      String walk = "/api/walk/" + people.get(random.nextInt(people.size()));
      session.send("POST", walk, "{\"reason\":\"Measured\"}");
      long start = System.nanoTime();
      String at = JsonMapper.shared().readTree(session.get(walk)).path("root").asString("");
      JsonNode shown = at.isEmpty() ? null : JsonMapper.shared().readTree(session.get(walk + "/places/" + at + "/children?hidden=true"));
      first.add((System.nanoTime() - start) / 1e6);
      for (int step = 0; shown != null && step < STEPS; step++) {
        List<String> below = shown.path("items").valueStream().filter(one -> !one.path("kind").asString().equals("document")).map(one -> one.path("id").asString()).toList();
        if (below.isEmpty()) {
          break;
        }
        start = System.nanoTime();
        shown = JsonMapper.shared().readTree(session.get(walk + "/places/" + below.get(random.nextInt(below.size())) + "/children?hidden=true"));
        steps.add((System.nanoTime() - start) / 1e6);
      }
    }
    System.out.printf("%nWalking as %d people (seed %d)%n", PEOPLE, SEED);
    say("first screen", first);
    say("each step", steps);
  }

  private static void say(String what, List<Double> times) {
    double[] sorted = times.stream().mapToDouble(Double::doubleValue).toArray();
    Arrays.sort(sorted);
    System.out.printf(Locale.ROOT, "  %s: p50 %.0f ms, p95 %.0f ms, at most %.0f ms (%d)%n", what, sorted[sorted.length / 2], sorted[sorted.length * 95 / 100], sorted[sorted.length - 1], sorted.length);
  }
}
