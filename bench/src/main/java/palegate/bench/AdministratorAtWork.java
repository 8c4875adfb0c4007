package palegate.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.Arrays;
import java.util.Locale;
import java.util.Random;
import java.util.regex.Pattern;
import palegate.core.places.Place;
import palegate.core.structure.Structure;
import palegate.server.store.Snapshots;

/**
 * One administrator at the console of a large structure: opening the tree, looking for things, and drafting one change
 * after another, each until the tray has its answer. Every change is drafted into an empty draft.
 */
final class AdministratorAtWork {
  private static final int WARM_UP = 15;
  private static final int TIMES = 40;
  private static final int FOLLOWED = 200;

  /** What names the rehearsal in the tray's answer, to be sent back. */
  private static final Pattern SEEN = Pattern.compile("\"seen\":(\\{[^}]*})");

  private final HttpSession session;
  private final Structure structure;
  private final String[] documents;
  private final Random random = new Random(5);

  AdministratorAtWork(HttpSession session, Structure structure) {
    this.session = session;
    this.structure = structure;
    documents = structure.places().values().stream().filter(Place::isDocument).map(Place::id).sorted().limit(10_000).toArray(String[]::new);
  }

  void run() throws IOException, InterruptedException {
    System.out.printf("%nOne administrator at the console, over HTTP, %d times each%n", TIMES);
    ask("open a folder of the tree", i -> "/api/places/" + folder() + "/children");
    ask("find a place by its name", i -> "/api/places?text=" + (100 + random.nextInt(900)) + "7");
    ask("find somebody to name", i -> "/api/subjects?text=" + (10 + random.nextInt(90)));
    ask("find a person", i -> "/api/people?limit=200&text=" + (10 + random.nextInt(90)));
    ask("list the groups by people", i -> "/api/groups?limit=200&sort=-people&text=" + random.nextInt(10));
    ask("list the breaks", i -> "/api/places/root/breaks?limit=200&offset=" + random.nextInt(2_000));
    ask("an access list", i -> "/api/places/" + folder() + "/access");
    draft("a grant at a folder", i -> "{\"kind\":\"addGrant\",\"place\":\"" + folder() + "\",\"subject\":{\"kind\":\"group\",\"id\":\"g" + random.nextInt(groups()) + "\"},\"role\":\"r3\"}");
    draft("a withholding at a library", i -> "{\"kind\":\"addWithholding\",\"place\":\"" + library() + "\",\"subject\":{\"kind\":\"group\",\"id\":\"g" + random.nextInt(groups()) + "\"},\"rights\":[\"copy\"]}");
    draft("a house rule at a folder", i -> "{\"kind\":\"setGuards\",\"place\":\"" + folder() + "\",\"reserveSharing\":false,\"noTakeaway\":true}");
    draft("a member of a group", i -> "{\"kind\":\"addMember\",\"group\":\"" + groupWithout("p" + i) + "\",\"memberKind\":\"person\",\"member\":\"p" + i + "\"}");
    draft("a clearance of a group", i -> "{\"kind\":\"addClearance\",\"type\":\"t0\",\"subject\":{\"kind\":\"group\",\"id\":\"g" + random.nextInt(groups()) + "\"},\"role\":\"r3\",\"until\":\"" + (2100 + i) + "-01-01T00:00:00Z\"}");
    draft("a wall around a folder", i -> "{\"kind\":\"setWall\",\"name\":\"Wall\",\"state\":\"STANDING\",\"barrier\":\"screen\",\"sides\":[{\"subjects\":[{\"kind\":\"group\",\"id\":\"g" + random.nextInt(groups()) + "\"}],\"places\":[\"" + folder() + "\"]}]}");
    draft("a role, another right", i -> "{\"kind\":\"setRole\",\"role\":\"r3\",\"name\":\"Role\",\"rights\":[\"find\",\"read\"]}");
    draft("a folder, moved", i -> "{\"kind\":\"movePlace\",\"place\":\"" + folder() + "\",\"parent\":\"" + library() + "\"}");
    draft("a document, removed", i -> "{\"kind\":\"removePlace\",\"place\":\"" + document() + "\"}");
    draft("a new folder", i -> "{\"kind\":\"addPlace\",\"placeKind\":\"folder\",\"parent\":\"" + folder() + "\",\"name\":\"New\"}");
    draft("a new unit", i -> "{\"kind\":\"setUnit\",\"name\":\"New\"}");
    draft("a new type", i -> "{\"kind\":\"setType\",\"name\":\"New\",\"guarded\":false,\"libraries\":[],\"fields\":[]}");
    draft("a new group", i -> "{\"kind\":\"setGroup\",\"name\":\"New\"}");
    draft("a name of a folder", i -> "{\"kind\":\"renamePlace\",\"place\":\"" + folder() + "\",\"name\":\"Renamed\"}");
    draft("a person, inactive from now on", i -> "{\"kind\":\"setPerson\",\"person\":\"p" + (i + WARM_UP) + "\",\"name\":\"Person\",\"external\":false,\"active\":false}");
    draft("a new person", i -> "{\"kind\":\"setPerson\",\"name\":\"Newcomer\",\"external\":false,\"active\":true}");
    long before = LoadGenerator.heap();
    inForce("a grant at a folder", i -> "{\"kind\":\"addGrant\",\"place\":\"" + folder() + "\",\"subject\":{\"kind\":\"group\",\"id\":\"g" + random.nextInt(groups()) + "\"},\"role\":\"r3\"}");
    inForce("a new person", i -> "{\"kind\":\"setPerson\",\"name\":\"Newcomer\",\"external\":false,\"active\":true}");
    inForce("a new folder", i -> "{\"kind\":\"addPlace\",\"placeKind\":\"folder\",\"parent\":\"" + folder() + "\",\"name\":\"New\"}");
    inForce("a folder, moved", i -> "{\"kind\":\"movePlace\",\"place\":\"" + folder() + "\",\"parent\":\"" + library() + "\"}");
    inForce("a document, removed", i -> "{\"kind\":\"removePlace\",\"place\":\"" + documents[i] + "\"}");
    System.out.printf(Locale.ROOT, "  heap %,d MB before these changes, %,d MB after them%n", before, LoadGenerator.heap());
  }

  private interface What {
    String of(int time);
  }

  private void ask(String name, What path) throws IOException, InterruptedException {
    report(name, i -> {
      String asked = path.of(i);
      long start = System.nanoTime();
      session.get(asked);
      return System.nanoTime() - start;
    });
  }

  private void draft(String name, What change) throws IOException, InterruptedException {
    report("tray: " + name, i -> {
      String drafted = change.of(i);
      long start = System.nanoTime();
      session.send("POST", "/api/draft/changes", drafted);
      long took = System.nanoTime() - start;
      session.send("DELETE", "/api/draft", null);
      return took;
    });
  }

  /** Puts one drafted change after another in force, each until the answer: written, journalled and what everybody is answered from. */
  private void inForce(String name, What change) throws IOException, InterruptedException {
    report("in force: " + name, i -> putInForce(change.of(i)));
  }

  private long putInForce(String change) throws IOException, InterruptedException {
    String draft = new String(session.send("POST", "/api/draft/changes", change), StandardCharsets.UTF_8);
    String order = "{\"version\":1,\"seen\":" + SEEN.matcher(draft).results().findFirst().orElseThrow().group(1) + ",\"note\":\"Measured\",\"acceptLockOuts\":true}";
    long start = System.nanoTime();
    session.send("POST", "/api/draft/in-force", order);
    return System.nanoTime() - start;
  }

  /** How long an instance that did not make a change itself takes to be as of it: what was altered is read, and the next snapshot made. */
  void followed(Snapshots snapshots) throws IOException, InterruptedException {
    long[] times = new long[FOLLOWED];
    for (int i = -WARM_UP; i < FOLLOWED; i++) {
      Snapshots.Numbered known = snapshots.current();
      putInForce(i % 2 == 0 ? "{\"kind\":\"setPerson\",\"name\":\"Newcomer\",\"external\":false,\"active\":true}"
          : "{\"kind\":\"addGrant\",\"place\":\"" + folder() + "\",\"subject\":{\"kind\":\"group\",\"id\":\"g" + random.nextInt(groups()) + "\"},\"role\":\"r3\"}");
      long start = System.nanoTime();
      snapshots.following(known).snapshot().at(Instant.now());
      if (i >= 0) {
        times[i] = System.nanoTime() - start;
      }
    }
    Arrays.sort(times);
    System.out.printf(Locale.ROOT, "  %-40s p50 %7.1f ms  p90 %7.1f ms  p99 %7.1f ms%n", "another instance's change, followed", times[FOLLOWED / 2] / 1e6, times[FOLLOWED * 9 / 10] / 1e6, times[FOLLOWED * 99 / 100] / 1e6);
  }

  private interface Once {
    long nanoseconds(int time) throws IOException, InterruptedException;
  }

  private static void report(String name, Once once) throws IOException, InterruptedException {
    long[] times = new long[TIMES];
    for (int i = -WARM_UP; i < TIMES; i++) {
      long took = once.nanoseconds(i + WARM_UP);
      if (i >= 0) {
        times[i] = took;
      }
    }
    Arrays.sort(times);
    System.out.printf(Locale.ROOT, "  %-40s p50 %7.1f ms  p90 %7.1f ms%n", name, times[TIMES / 2] / 1e6, times[TIMES * 9 / 10] / 1e6);
  }

  /** Whoever is a member already cannot be put in again for the same time. */
  private String groupWithout(String person) {
    String group;
    do {
      group = "g" + random.nextInt(groups());
    } while (structure.groups().get(group).members().stream().anyMatch(membership -> membership.member().id().equals(person)));
    return group;
  }

  private String folder() {
    return "f" + random.nextInt((int) (structure.places().size() * 0.05));
  }

  /** A document that nothing else names. */
  private String document() {
    return documents[random.nextInt(documents.length)];
  }

  private String library() {
    return "l" + random.nextInt(Math.max(1, structure.places().size() / 6_000));
  }

  private int groups() {
    return structure.groups().size();
  }
}
