package palegate.server.viewpoint;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.TreeMap;
import java.util.TreeSet;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.structure.Structure;
import palegate.core.viewpoint.Asker;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.store.Snapshots;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.Often;
import palegate.server.testkit.TestApplication;

/**
 * Section 9: asked for by its address, what one may not know takes as long as what never was. The two are asked in random order, and
 * their times are compared by how often one is longer than the other (Mann and Whitney's U). Every endpoint that takes a place, a person,
 * a group or a wall is asked thirty times about either: that notices, nineteen times out of twenty, that one is the longer in 85 of
 * a hundred pairs. An ordinary run asks twelve times, which notices what is in nearly all: a look-up that read a row, or answered before
 * the other did. What seems to differ is asked four hundred times about either before it is said to.
 */
@Order(5)
@ExtendWith(InDemo.class)
class HiddenAndNeverTakeAsLongTest {
  private static final long SEED = 20_261_130;
  private static final int FIRST = Often.times(30, 12);
  private static final int SURE = 400;
  private static final Map<String, String> ASKERS = new TreeMap<>(Map.of("ola.lindqvist", "p-ola", "teodor.brask", "p-teodor", "oriel.fenn", "p-oriel"));

  /** Two questions that differ in one id of the same length: it is hidden, or it never was. */
  private record Pair(Browser asker, String endpoint, String hidden, String never) {}

  @Test
  void nothing_hidden_is_told_by_the_time_of_an_answer(TestApplication app) {
    List<Pair> pairs = pairs(app);
    assertThat(pairs.stream().map(Pair::endpoint).distinct()).as("endpoints that are timed").hasSizeGreaterThan(45);
    SoftAssertions all = new SoftAssertions();
    for (Pair pair : pairs) {
      for (int i = 0; i < 6; i++) {
        ask(pair, i % 2 == 0);
      }
      if (Math.abs(longer(pair, FIRST) - 0.5) > 3 * deviation(FIRST)) {
        double longer = longer(pair, SURE);
        // Five standard deviations, so that it fails by chance in one run of a million.
        all.assertThat(longer).as("%s: how often the hidden one takes longer (seed %d)", pair.hidden(), SEED).isBetween(0.5 - 5 * deviation(SURE), 0.5 + 5 * deviation(SURE));
      }
    }
    all.assertAll();
  }

  private static List<Pair> pairs(TestApplication app) {
    Structure all = app.bean(Snapshots.class).current().snapshot().structure();
    Map<String, Pair> pairs = new TreeMap<>();
    ASKERS.forEach((login, person) -> {
      Structure known = Viewpoint.of(Asker.of(app.bean(Snapshots.class).current().snapshot().at(TestApplication.TODAY), person)).snapshot().structure();
      Browser asker = app.signedIn(login);
      hidden(all.places().keySet(), known.places().keySet()).ifPresent(id -> addAll(pairs, asker, "$place", id, person));
      hidden(all.people().keySet(), known.people().keySet()).ifPresent(id -> addAll(pairs, asker, "$person", id, person));
      hidden(all.groups().keySet(), known.groups().keySet()).ifPresent(id -> addAll(pairs, asker, "$group", id, person));
      hidden(all.walls().keySet(), known.walls().keySet()).ifPresent(id -> addAll(pairs, asker, id, id, person));
      hidden(all.walls().keySet(), known.walls().keySet()).ifPresent(id -> List.of("/contact/possible", "/changes")
          .forEach(path -> add(pairs, asker, "GET /api/walls/{id}" + path, "/api/walls/" + id + path, id, id, person)));
    });
    // What somebody has as a person, not by a duty.
    Browser ola = app.signedIn("ola.lindqvist");
    List.of("/api/papers/places/$place", "/api/papers/places/$place/children", "/api/papers/places/$place/why", "/api/papers/places/$place/sharing", "/api/places/$place/content", "/api/places/$place/content/about")
        .forEach(path -> add(pairs, ola, "GET " + path, path, "$place", "f-2411", "p-ola"));
    return new ArrayList<>(pairs.values());
  }

  private static void addAll(Map<String, Pair> pairs, Browser asker, String what, String hidden, String person) {
    ViewpointQuestions.QUESTIONS.forEach((endpoint, questions) -> questions.stream().filter(question -> question.contains(what)).limit(1)
        .forEach(question -> add(pairs, asker, endpoint, question, what, hidden, person)));
  }

  /** Once an endpoint and thing, for the first asker who is not refused it for want of a duty. */
  private static void add(Map<String, Pair> pairs, Browser asker, String endpoint, String question, String what, String hidden, String person) {
    String key = endpoint + " " + (what.startsWith("$") ? what : "wall");
    String about = question.replace(what, "€").replace("$person", person).replace("$group", "g-adjusters").replace("$place", "lib-cas").replace("$type", "letter");
    Pair pair = new Pair(asker, endpoint, about.replace("€", hidden), about.replace("€", another(hidden)));
    if (!pairs.containsKey(key) && ask(pair, true).status() != 403) {
      assertThat(ask(pair, true).status()).as(pair.hidden()).isEqualTo(ask(pair, false).status());
      pairs.put(key, pair);
    }
  }

  private static Optional<String> hidden(Collection<String> all, Collection<String> known) {
    return new TreeSet<>(all).stream().filter(id -> !known.contains(id)).max(Comparator.naturalOrder());
  }

  /** An id of the same shape that nothing ever had. */
  private static String another(String id) {
    return id.substring(0, id.length() - 2) + "qx";
  }

  private static Browser.Answer ask(Pair pair, boolean hidden) {
    return EveryAnswerIsGivenToAViewpointTest.put(pair.asker(), pair.endpoint(), hidden ? pair.hidden() : pair.never());
  }

  private static double deviation(int each) {
    return Math.sqrt((2.0 * each + 1) / (12.0 * each * each));
  }

  private static double longer(Pair pair, int each) {
    long[][] took = new long[2][each];
    int[] asked = new int[2];
    Random random = new Random(SEED);
    while (asked[0] < each || asked[1] < each) {
      int which = asked[1] == each || asked[0] < each && random.nextBoolean() ? 0 : 1;
      long start = System.nanoTime();
      ask(pair, which == 0);
      took[which][asked[which]++] = System.nanoTime() - start;
    }
    Arrays.sort(took[1]);
    double wins = 0;
    for (long one : took[0]) {
      int at = Arrays.binarySearch(took[1], one);
      wins += at < 0 ? -at - 1 : at + 0.5;
    }
    return wins / each / each;
  }
}
