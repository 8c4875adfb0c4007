package palegate.bench;

import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import palegate.core.access.Grant;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.sharing.Pass;
import palegate.core.structure.Structure;
import palegate.demo.Structures;
import palegate.server.PaleGate;

/** Sharing where much is shared: the register, what one may share, what would come of it, and sharing itself. */
final class SharingFigures {
  private static final int SHARES = 20_000;
  private static final int PASSES = 2_000;
  private static final long SEED = 20_261_130;
  private static final int TIMES = 6;

  private SharingFigures() {}

  static void run(Structures.Size size) throws Exception {
    SpringApplication application = new SpringApplication(PaleGate.class);
    try (ConfigurableApplicationContext context = application.run("--logging.level.root=WARN", "--palegate.demo=false", "--server.port=0", "--spring.main.log-startup-info=false")) {
      System.out.printf(Locale.UK, "%nSharing, structure %s with %,d shares and %,d passes, seed %d%n", size, SHARES, PASSES, SEED);
      Instant now = Instant.now();
      Structure structure = ServerFigures.broughtIn(context, shared(Structures.of(size), now), now.minusSeconds(60));
      HttpSession session = ServerFigures.session(context);
      timed("the register, first page", () -> session.get("/api/shares?limit=60"));
      timed("the register, those with outsiders, by people", () -> session.get("/api/shares?show=OUTSIDERS&sort=-people&limit=60"));
      timed("the register, one word", () -> session.get("/api/shares?text=12&limit=60"));
      timed("with whom to share, one word", () -> session.get("/api/papers/recipients?text=an"));
      String person = structure.people().values().stream().filter(Person::active).map(Person::id).sorted().findFirst().orElseThrow();
      for (PlaceKind kind : new PlaceKind[] {PlaceKind.DOCUMENT, PlaceKind.FOLDER, PlaceKind.LIBRARY}) {
        String place = structure.places().values().stream().filter(one -> one.kind() == kind && follows(structure, one)).map(Place::id).sorted().findFirst().orElseThrow();
        String share = "{\"subjects\":[{\"kind\":\"person\",\"id\":\"" + person + "\"}],\"role\":\"r2\",\"until\":\"" + now.plus(Duration.ofDays(20)) + "\"}";
        timed("what may be shared of a " + kind.word(), () -> session.get("/api/papers/places/" + place + "/sharing"));
        timed("what would come of sharing a " + kind.word(), () -> session.send("POST", "/api/papers/places/" + place + "/sharing", share));
      }
      timed("what one shares oneself", () -> session.get("/api/papers/shares"));
    }
  }

  /** Down from the repository without a break, so that whoever has everything there has it here. */
  private static boolean follows(Structure structure, Place place) {
    for (Place at = place; at.parent() != null; at = structure.places().get(at.parent())) {
      if (at.standsAlone()) {
        return false;
      }
    }
    return true;
  }

  private interface Asking {
    byte[] ask() throws Exception;
  }

  private static void timed(String what, Asking asking) {
    StringBuilder said = new StringBuilder();
    for (int i = 0; i < TIMES; i++) {
      long start = System.nanoTime();
      String answer;
      try {
        answer = new String(asking.ask(), StandardCharsets.UTF_8);
      } catch (Exception refused) {
        answer = refused.getMessage();
        said.append(i == 0 ? "(" + answer.substring(0, Math.min(160, answer.length())) + ") " : "");
      }
      said.append(String.format(Locale.ROOT, i == 0 ? "%.0f ms, then" : " %.0f", (System.nanoTime() - start) / 1e6));
    }
    System.out.println("  " + what + ": " + said);
  }

  /** A quarter has an end; one in ten is with everybody in a group. */
  private static Structure shared(Structure structure, Instant now) {
    Random random = new Random(SEED);
    List<String> people = structure.people().keySet().stream().sorted().toList();
    List<String> groups = structure.groups().keySet().stream().sorted().toList();
    List<String> places = structure.places().values().stream().filter(place -> place.kind() == PlaceKind.DOCUMENT || place.kind() == PlaceKind.FOLDER).map(Place::id).sorted().toList();
    Map<String, Grant> grants = new HashMap<>();
    for (int i = 0; i < SHARES; i++) {
      Subject with = i % 10 == 0 ? new Subject.OfGroup(any(groups, random)) : new Subject.OfPerson(any(people, random));
      Period period = new Period(null, i % 4 == 0 ? now.plus(Duration.ofDays(1 + random.nextInt(90))) : null);
      grants.put("sh-" + i, new Grant("sh-" + i, any(places, random), with, "r2", Set.of(), period, null, any(people, random), null));
    }
    Map<String, Pass> passes = new HashMap<>();
    for (int i = 0; i < PASSES; i++) {
      passes.put("pa-bench-" + i, new Pass("pa-bench-" + i, any(places, random), "r2", List.of(new Subject.OfGroup(any(groups, random))), any(people, random), new Period(null, now.plus(Duration.ofDays(30))), null, null));
    }
    return structure.withGrants(grants).withPasses(passes);
  }

  private static String any(List<String> some, Random random) {
    return some.get(random.nextInt(some.size()));
  }
}
