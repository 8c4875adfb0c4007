package palegate.core.snapshot;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Rights;

/** Whoever is asked about often gets the same answers, only sooner. */
class OftenAskedTest {
  private static void askOften(OftenAsked often, int person) {
    for (int i = 1; i < OftenAsked.OFTEN; i++) {
      assertThat(often.codesOf(person)).isNull();
    }
  }

  private static void assertRightEverywhere(SnapshotAt moment, OftenAsked often, int person, String what) {
    byte[] codes = often.codesOf(person);
    assertThat(codes).as(what).isNotNull();
    for (int place = 0; place < moment.snapshot().placeCount(); place++) {
      int number = moment.classOf(place);
      assertThat(Rights.ofMask(often.mask(codes[number]))).as("%s, place %d", what, place).isEqualTo(Rights.ofMask(moment.rightsInClass(person, number)));
    }
  }

  @Test
  void nothing_is_kept_of_those_who_are_asked_about_now_and_then() {
    SnapshotAt moment = Harbour.snapshot().at(Harbour.NOW);
    OftenAsked often = new OftenAsked(moment, moment.snapshot().personCount(), OftenAsked.MOST_KEPT);
    askOften(often, 0);
    for (int person = 1; person < moment.snapshot().personCount(); person++) {
      assertThat(often.codesOf(person)).as("person %d", person).isNull();
    }
  }

  @Test
  void everyone_in_any_structure_has_what_the_rules_give() {
    for (long seed = 20_261_126_000L; seed < 20_261_126_040L; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      SnapshotAt moment = snapshot.at(RandomStructures.NOW);
      OftenAsked often = new OftenAsked(moment, snapshot.personCount(), OftenAsked.MOST_KEPT);
      for (int person = 0; person < Math.min(3, snapshot.personCount()); person++) {
        askOften(often, person);
        assertRightEverywhere(moment, often, person, "seed " + seed + ", person " + person);
      }
    }
  }

  @Test
  void a_moment_answers_the_same_before_and_after() {
    Snapshot snapshot = Harbour.snapshot();
    SnapshotAt moment = snapshot.at(Harbour.NOW);
    for (int person = 0; person < 3; person++) {
      int asked = person;
      List<Rights> before = IntStream.range(0, snapshot.placeCount()).mapToObj(place -> moment.rights(asked, place)).toList();
      for (int i = 0; i < OftenAsked.OFTEN; i++) {
        moment.rights(person, i % snapshot.placeCount());
      }
      assertThat(IntStream.range(0, snapshot.placeCount()).mapToObj(place -> moment.rights(asked, place)).toList()).isEqualTo(before);
    }
  }

  @Test
  void where_there_is_no_room_for_one_more_all_is_given_up_and_begun_again() {
    SnapshotAt moment = Harbour.snapshot().at(Harbour.NOW);
    OftenAsked often = new OftenAsked(moment, moment.snapshot().personCount(), moment.classCount() * 2);
    for (int person = 0; person < 2; person++) {
      askOften(often, person);
      assertRightEverywhere(moment, often, person, "person " + person);
    }
    askOften(often, 2);
    assertRightEverywhere(moment, often, 2, "the third");
    assertThat(often.codesOf(0)).isNull();
    assertThat(often.codesOf(1)).isNull();
    // More people than there is room for: what is kept is worth twice as many questions from now on.
    askOften(often, 0);
    askOften(often, 0);
    assertRightEverywhere(moment, often, 0, "again");
  }

  @Test
  void many_may_ask_at_once() throws Exception {
    Snapshot snapshot = Harbour.snapshot();
    SnapshotAt moment = snapshot.at(Harbour.NOW);
    OftenAsked often = new OftenAsked(moment, snapshot.personCount(), moment.classCount() * 3);
    List<Callable<Integer>> asking = new ArrayList<>();
    for (int thread = 0; thread < 4; thread++) {
      int first = thread;
      asking.add(() -> {
        int wrong = 0;
        for (int i = 0; i < 400_000; i++) {
          int person = (first + i) % snapshot.personCount();
          byte[] codes = often.codesOf(person);
          int number = moment.classOf(i % snapshot.placeCount());
          wrong += codes != null && often.mask(codes[number]) != moment.rightsInClass(person, number) ? 1 : 0;
        }
        return wrong;
      });
    }
    ExecutorService threads = Executors.newFixedThreadPool(asking.size());
    try {
      for (var answer : threads.invokeAll(asking)) {
        assertThat(answer.get()).isZero();
      }
    } finally {
      threads.shutdownNow();
    }
  }
}
