package palegate.bench;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.springframework.boot.SpringApplication;
import org.springframework.context.ConfigurableApplicationContext;
import palegate.core.access.Grant;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.core.walls.Wall;
import palegate.demo.Structures;
import palegate.server.PaleGate;
import palegate.server.store.ChangeLog;
import palegate.server.store.StructureStore;
import palegate.server.store.Transactions;

/** What a long history costs: ten thousand changes of every day, a page of the journal, and who gained and lost over all of them. */
final class JournalFigures {
  private static final int CHANGES = 10_000;
  private static final long SEED = 20_261_129;
  private static final int TIMES = 5;
  private static final int WALLS = 3;

  private JournalFigures() {}

  static void run(Structures.Size size) throws Exception {
    SpringApplication application = new SpringApplication(PaleGate.class);
    try (ConfigurableApplicationContext context = application.run("--logging.level.root=WARN", "--palegate.demo=false", "--server.port=0", "--spring.main.log-startup-info=false")) {
      System.out.printf("%nTen thousand changes, structure %s, seed %d%n", size, SEED);
      Instant began = Instant.now().minusSeconds(CHANGES * 60L);
      Structure structure = ServerFigures.broughtIn(context, size, began.minusSeconds(60));
      long start = System.nanoTime();
      make(context, structure, began);
      System.out.printf(Locale.ROOT, "  made in %.0f s%n", seconds(start));
      HttpSession session = ServerFigures.session(context);
      timed("a page of the journal", session, "/api/journal?limit=60");
      timed("who gained and lost over all of them, first page", session, "/api/journal/between?from=" + began.minusSeconds(30) + "&until=" + Instant.now() + "&limit=60");
      for (String wall : structure.walls().values().stream().filter(one -> one.barsAt(Instant.now())).map(Wall::id).sorted().limit(WALLS).toList()) {
        timed("who could have been behind the wall " + wall + " over all of them", session, "/api/walls/" + wall + "/contact/possible");
      }
      timed("a change opened", session, "/api/journal/5000");
      String week = began.plusSeconds(CHANGES * 30L).toString();
      timed("over the last five thousand, first page", session, "/api/journal/between?from=" + week + "&until=" + Instant.now() + "&limit=60");
    }
  }

  /** The first time nothing is known; the others are asked with another end, so that nothing is kept for them but states. */
  private static void timed(String what, HttpSession session, String path) throws Exception {
    StringBuilder said = new StringBuilder();
    for (int i = 0; i < TIMES; i++) {
      long start = System.nanoTime();
      session.get(path.replaceAll("until=[^&]*", "until=" + Instant.now()));
      said.append(String.format(Locale.ROOT, i == 0 ? "%.0f ms, then" : " %.0f", seconds(start) * 1e3));
    }
    System.out.println("  " + what + ": " + said);
  }

  private static void make(ConfigurableApplicationContext context, Structure first, Instant began) {
    StructureStore store = context.getBean(StructureStore.class);
    ChangeLog log = context.getBean(ChangeLog.class);
    Transactions transactions = context.getBean(Transactions.class);
    Random random = new Random(SEED);
    List<String> people = List.copyOf(first.people().keySet());
    List<String> groups = List.copyOf(first.groups().keySet());
    List<Place> containers = first.places().values().stream().filter(place -> place.kind().isContainer()).toList();
    Structure before = first;
    for (int i = 0; i < CHANGES; i++) {
      Structure after = altered(before, i, random, people, groups, containers);
      StructureDifference difference = StructureDifference.between(before, after);
      ChangeLog.Logged logged = new ChangeLog.Logged(i + 2, "bench", "bench", began.plusSeconds(i * 60L), "Every day", "draft");
      transactions.write(() -> {
        log.write(new ChangeLog.Logged(log.takeNextNumber(), logged.author(), logged.authorName(), logged.at(), logged.note(), logged.origin()), "[]", difference.things());
        store.write(difference, logged.number());
        return true;
      });
      before = after;
    }
  }

  private static Structure altered(Structure before, int change, Random random, List<String> people, List<String> groups, List<Place> containers) {
    String person = people.get(random.nextInt(people.size()));
    Place place = containers.get(random.nextInt(containers.size()));
    if (change % 3 == 0) {
      Grant grant = new Grant("bench-" + change, place.id(), new Subject.OfPerson(person), "r2", Set.of(), Period.ALWAYS, null);
      return before.withGrants(Map.of(grant.id(), grant));
    }
    if (change % 3 == 1) {
      Group group = before.groups().get(groups.get(random.nextInt(groups.size())));
      List<Membership> members = new ArrayList<>(group.members());
      if (members.removeIf(held -> held.member().id().equals(person)) || members.size() > 3 && random.nextBoolean()) {
        return before.withGroups(Map.of(group.id(), group.with(members.subList(0, Math.max(1, members.size() - 1)))));
      }
      members.add(new Membership(new Membership.PersonMember(person), Period.ALWAYS));
      return before.withGroups(Map.of(group.id(), group.with(members)));
    }
    Map<String, Place> places = new HashMap<>();
    Place now = before.places().get(place.id());
    places.put(place.id(), now.named(now.name().split(" \\(")[0] + " (" + change + ")"));
    return before.withPlaces(places);
  }

  private static double seconds(long start) {
    return (System.nanoTime() - start) / 1e9;
  }
}
