package palegate.bench;

import java.io.IOException;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.stream.IntStream;
import java.util.stream.LongStream;
import palegate.core.structure.Structure;

/** Asks a running application over HTTP, from several connections at once, for a fixed number of requests. */
final class LoadGenerator {
  private static final int CONNECTIONS = 4;
  private static final int MANY_CONNECTIONS = 32;
  private static final int REQUESTS = 10_000;
  private static final int SOAK = 20_000;
  /** What is measured is the application as it runs all day, not its compiler, which is busy for about a minute. */
  private static final Duration WARM_UP = Duration.ofSeconds(90);

  private final List<HttpSession> sessions = new ArrayList<>();
  private final List<String> people;
  private final List<String> places;

  LoadGenerator(int port, String login, String password, Structure structure) throws IOException, InterruptedException {
    for (int i = 0; i < MANY_CONNECTIONS; i++) {
      sessions.add(new HttpSession("http://127.0.0.1:" + port, login, password));
    }
    people = List.copyOf(structure.people().keySet());
    places = List.copyOf(structure.places().keySet());
  }

  void run() throws Exception {
    warmUp();
    System.out.printf("%nOver HTTP, %d connections, %,d requests of each kind%n", CONNECTIONS, REQUESTS);
    measure("why", random -> "/api/why?person=" + any(people, random) + "&place=" + any(places, random));
    measure("access list", random -> "/api/places/" + any(places, random) + "/access");
    measure("people at a place", random -> "/api/places/" + any(places, random) + "/people?limit=50");
    measure("children in the tree", random -> "/api/places/" + any(places, random) + "/children");
    System.out.printf("Over HTTP, %d connections, %,d requests%n", MANY_CONNECTIONS, SOAK);
    measure("mixed questions", this::anyQuestion, MANY_CONNECTIONS, SOAK);
    System.out.printf("A soak of %,d requests of every kind%n", SOAK);
    long before = heap();
    measure("every kind", this::anything, MANY_CONNECTIONS, SOAK);
    long between = heap();
    measure("every kind again", this::anything, MANY_CONNECTIONS, SOAK);
    System.out.printf(Locale.ROOT, "  heap %,d MB before, %,d MB after the first, %,d MB after the second%n", before, between, heap());
  }

  /** What is in use once what is not has been collected, in MB. */
  static long heap() {
    System.gc();
    Runtime runtime = Runtime.getRuntime();
    return (runtime.totalMemory() - runtime.freeMemory()) >> 20;
  }

  private String anything(Random random) {
    String place = any(places, random);
    return switch (random.nextInt(6)) {
      case 0 -> "/api/places/" + place + "/people?limit=50";
      case 1 -> "/api/journal?limit=50";
      case 2 -> "/api/people/" + any(people, random);
      case 3 -> "/api/why?person=" + any(people, random) + "&place=" + place + "&drafted=true";
      default -> anyQuestion(random);
    };
  }

  private String anyQuestion(Random random) {
    String place = "/api/places/" + any(places, random);
    return switch (random.nextInt(3)) {
      case 0 -> place + "/access";
      case 1 -> place + "/children";
      default -> "/api/why?person=" + any(people, random) + "&place=" + any(places, random);
    };
  }

  private interface Question {
    String path(Random random);
  }

  private void measure(String name, Question question) throws Exception {
    measure(name, question, CONNECTIONS, REQUESTS);
  }

  private void warmUp() throws Exception {
    long end = System.nanoTime() + WARM_UP.toNanos();
    run(CONNECTIONS, (session, random) -> {
      while (System.nanoTime() < end) {
        session.get(anything(random));
      }
      return new long[0];
    });
  }

  private interface Work {
    long[] done(HttpSession session, Random random) throws Exception;
  }

  private void measure(String name, Question question, int connections, int requests) throws Exception {
    long start = System.nanoTime();
    long[] all = run(connections, (session, random) -> ask(question, session, random, requests / connections));
    double seconds = (System.nanoTime() - start) / 1e9;
    Arrays.sort(all);
    System.out.printf(Locale.ROOT, "  %-22s p50 %6.1f ms  p99 %6.1f ms  %,.0f requests/s%n", name, all[all.length / 2] / 1e6,
        all[(int) (all.length * 0.99)] / 1e6, all.length / seconds);
  }

  private long[] run(int connections, Work work) throws Exception {
    ExecutorService threads = Executors.newFixedThreadPool(connections);
    try {
      List<Callable<long[]>> tasks = IntStream.range(0, connections)
          .mapToObj(seed -> (Callable<long[]>) () -> work.done(sessions.get(seed), new Random(seed))).toList();
      long[] all = new long[0];
      for (Future<long[]> part : threads.invokeAll(tasks)) {
        all = LongStream.concat(LongStream.of(all), LongStream.of(part.get())).toArray();
      }
      return all;
    } finally {
      threads.shutdown();
    }
  }

  private static long[] ask(Question question, HttpSession session, Random random, int requests) throws IOException, InterruptedException {
    long[] times = new long[requests];
    for (int i = 0; i < requests; i++) {
      long start = System.nanoTime();
      session.get(question.path(random));
      times[i] = System.nanoTime() - start;
    }
    return times;
  }

  private static String any(List<String> ids, Random random) {
    return ids.get(random.nextInt(ids.size()));
  }
}
