package palegate.bench;

import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.concurrent.BrokenBarrierException;
import java.util.concurrent.Callable;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicLong;
import java.util.stream.IntStream;
import palegate.core.structure.Structure;

/** Asks a running application over HTTP, from several connections at once, for a fixed number of requests. */
final class LoadGenerator {
  private static final int CONNECTIONS = 4;
  private static final int MANY_CONNECTIONS = 32;
  private static final int REQUESTS_EACH = 400;
  private static final int SOAK_EACH = 625;
  private static final int WARM_UP_EACH = 100;

  private final String base;
  private final String login;
  private final String password;
  private final List<String> people;
  private final List<String> places;

  LoadGenerator(int port, String login, String password, Structure structure) {
    base = "http://127.0.0.1:" + port;
    this.login = login;
    this.password = password;
    people = List.copyOf(structure.people().keySet());
    places = List.copyOf(structure.places().keySet());
  }

  void run() throws Exception {
    System.out.printf("%nOver HTTP, %d connections, %,d requests each%n", CONNECTIONS, REQUESTS_EACH);
    measure("why", random -> "/api/why?person=" + any(people, random) + "&place=" + any(places, random));
    measure("access list", random -> "/api/places/" + any(places, random) + "/access");
    measure("people at a place", random -> "/api/places/" + any(places, random) + "/people?limit=50");
    measure("children in the tree", random -> "/api/places/" + any(places, random) + "/children");
    System.out.printf("Over HTTP, %d connections, %,d requests each%n", MANY_CONNECTIONS, REQUESTS_EACH);
    measure("mixed questions", this::anyQuestion, MANY_CONNECTIONS, REQUESTS_EACH);
    System.out.printf("A soak of %,d requests of every kind%n", MANY_CONNECTIONS * SOAK_EACH);
    long before = heap();
    measure("every kind", this::anything, MANY_CONNECTIONS, SOAK_EACH);
    long between = heap();
    measure("every kind again", this::anything, MANY_CONNECTIONS, SOAK_EACH);
    System.out.printf(Locale.ROOT, "  heap %,d MB before, %,d MB after the first, %,d MB after the second%n", before, between, heap());
  }

  /** What is in use once what is not has been collected, in MB. */
  private static long heap() {
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
    measure(name, question, CONNECTIONS, REQUESTS_EACH);
  }

  /** Everybody signs in and warms up first; the clock runs from when all of them ask. */
  private void measure(String name, Question question, int connections, int requestsEach) throws Exception {
    ExecutorService threads = Executors.newFixedThreadPool(connections);
    AtomicLong began = new AtomicLong();
    CyclicBarrier ready = new CyclicBarrier(connections, () -> began.set(System.nanoTime()));
    try {
      List<Callable<long[]>> work = IntStream.range(0, connections).mapToObj(seed -> (Callable<long[]>) () -> ask(question, seed, requestsEach, ready)).toList();
      long[] all = new long[0];
      for (Future<long[]> part : threads.invokeAll(work)) {
        long[] times = part.get();
        int had = all.length;
        all = Arrays.copyOf(all, had + times.length);
        System.arraycopy(times, 0, all, had, times.length);
      }
      double seconds = (System.nanoTime() - began.get()) / 1e9;
      Arrays.sort(all);
      System.out.printf(Locale.ROOT, "  %-22s p50 %6.1f ms  p99 %6.1f ms  %,.0f requests/s%n", name, all[all.length / 2] / 1e6,
          all[(int) (all.length * 0.99)] / 1e6, all.length / seconds);
    } finally {
      threads.shutdown();
    }
  }

  private long[] ask(Question question, int seed, int requests, CyclicBarrier ready) throws IOException, InterruptedException, BrokenBarrierException {
    HttpSession session = new HttpSession(base, login, password);
    Random random = new Random(seed);
    long[] times = new long[requests];
    for (int i = -WARM_UP_EACH; i < requests; i++) {
      if (i == 0) {
        ready.await();
      }
      String path = question.path(random);
      long start = System.nanoTime();
      session.get(path);
      if (i >= 0) {
        times[i] = System.nanoTime() - start;
      }
    }
    return times;
  }

  private static String any(List<String> ids, Random random) {
    return ids.get(random.nextInt(ids.size()));
  }
}
