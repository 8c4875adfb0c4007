package palegate.server.store;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.Often;
import palegate.server.testkit.TestApplication;

/** Any number of instances serve one database: each follows what the others change, without reading everything again. */
@Order(3)
@ExtendWith(InDemo.class)
class TwoInstancesTest {
  private static final long SEED = 500;
  private static final int CHANGES = Often.times(500, 120);

  @Test
  void two_instances_give_equal_answers_after_each_of_many_changes_at_both(TestApplication one) {
    try (TestApplication other = one.another()) {
      Random random = new Random(SEED);
      List<TestApplication> instances = List.of(one, other);
      Browser[] writers = {one.signedIn("wenna.carrow"), other.signedIn("wenna.carrow")};
      Browser[] readers = {one.signedIn("oriel.fenn"), other.signedIn("oriel.fenn")};
      for (int i = 0; i < CHANGES; i++) {
        int writer = random.nextInt(2);
        Browser.Answer drafted = writers[writer].post("/api/draft/changes", change(random, i));
        assertThat(drafted.status()).as("change %d, seed %d: %s", i, SEED, drafted.body()).isEqualTo(201);
        Browser.Answer done = writers[writer].putInForce(true);
        if (done.status() != 200) {
          // It alters nothing, or waits for somebody else: both instances must agree on that too.
          assertThat(done.problem()).isIn("no-difference", "approval-missing");
          writers[writer].delete("/api/draft");
          continue;
        }
        long number = done.body().path("change").asLong();
        String asked = "/api/places/lib-cas/access";
        assertThat(readers[1 - writer].get(asked, number).body()).as("change %d", number).isEqualTo(readers[writer].get(asked, number).body());
        assertSame(number, instances);
      }
      Snapshot followed = other.bean(Snapshots.class).current().snapshot();
      Structure read = one.bean(StructureStore.class).asOf(one.bean(StructureStore.class).head());
      assertThat(RightsDifference.between(followed, Snapshot.of(read), one.clock().instant()).isEmpty()).as("as if it had just been read").isTrue();
    }
  }

  private static void assertSame(long number, List<TestApplication> instances) {
    Snapshots.Numbered first = instances.get(0).bean(Snapshots.class).current();
    Snapshots.Numbered second = instances.get(1).bean(Snapshots.class).current();
    assertThat(first.change()).isEqualTo(number);
    assertThat(second.change()).isEqualTo(number);
    assertThat(second.snapshot().structure().places()).isEqualTo(first.snapshot().structure().places());
    assertThat(second.snapshot().structure().grants()).isEqualTo(first.snapshot().structure().grants());
    assertThat(second.snapshot().structure().people()).isEqualTo(first.snapshot().structure().people());
  }

  private static Map<String, Object> change(Random random, int i) {
    return switch (random.nextInt(6)) {
      case 0 -> Map.of("kind", "setPerson", "name", "Newcomer " + i, "external", random.nextBoolean(), "active", true);
      case 1 -> Map.of("kind", "addPlace", "placeKind", "folder", "parent", "lib-cas", "name", "Folder " + i);
      case 2 -> Map.of("kind", "setGroup", "name", "Group " + i);
      case 3 -> Map.of("kind", "renamePlace", "place", "f-2417", "name", "Grey Pilgrim " + random.nextInt(50));
      case 4 -> Map.of("kind", "setGuards", "place", "f-2423", "reserveSharing", random.nextBoolean(), "noTakeaway", random.nextBoolean());
      default -> Map.of("kind", "addGrant", "place", random.nextBoolean() ? "lib-cas" : "lib-acc", "subject", Map.of("kind", "group", "id", "g-surveyors"), "role", "r-reader");
    };
  }

  @Test
  void a_reader_who_insists_on_a_change_that_is_not_there_is_told_so(TestApplication app) {
    Browser oriel = app.signedIn("oriel.fenn");
    long head = app.bean(StructureStore.class).head();
    assertThat(oriel.get("/api/places/lib-cas/access", head).status()).isEqualTo(200);
    assertThat(oriel.get("/api/places/lib-cas/access", head + 1_000).problem()).isEqualTo("not-yet");
  }

  @Test
  void the_state_between_a_commit_and_its_publication_is_made_from_what_is_known(TestApplication app) {
    Snapshots snapshots = app.bean(Snapshots.class);
    Snapshots.Numbered before = snapshots.current();
    StructureStore.Newest newest = app.bean(StructureStore.class).newest(before.snapshot().structure(), before.change());
    assertThat(newest.change()).isEqualTo(before.change());
    assertThat(newest.structure()).isEqualTo(before.snapshot().structure());
  }
}
