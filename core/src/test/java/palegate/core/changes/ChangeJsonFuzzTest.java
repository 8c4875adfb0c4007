package palegate.core.changes;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.bundle.Fault;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Whatever is sent as a change is either refused with its faults or can be written down again, and made or refused by a draft; nothing is thrown. */
class ChangeJsonFuzzTest {
  private static final int TRIES = Often.times(40_000);
  private static final JsonNodeFactory NODES = JsonNodeFactory.instance;
  private static final List<String> TEXTS = List.of("", " ", "mia", "cas", "root", "no such", "\u0000", "\uD800", "a\u202Eb", "../..", "x".repeat(5_000), "2026-13-45T00:00:00Z",
      "+999999999-12-31T23:59:59Z", "STANDING", "sides", "find");

  @Test
  void nothing_that_is_sent_breaks_the_reading_or_the_making() {
    long seed = System.nanoTime();
    Random random = new Random(seed);
    Structure structure = OfEveryKind.structure();
    Snapshot snapshot = Snapshot.of(structure);
    List<Change> all = OfEveryKind.changes();
    int taken = 0;
    for (int i = 0; i < TRIES; i++) {
      ObjectNode sent = ChangeJson.write(all.get(random.nextInt(all.size())));
      for (int times = random.nextInt(3); times >= 0; times--) {
        alter(sent, random);
      }
      String text = "seed " + seed + ": " + sent;
      List<Fault> faults = new ArrayList<>();
      Change read = ChangeJson.read(sent, "", letters -> letters + "-1", faults);
      assertThat(read == null).as(text).isEqualTo(!faults.isEmpty());
      if (read != null) {
        taken++;
        assertThat(ChangeJson.readKept(ChangeJson.write(read))).as(text).isEqualTo(read);
        assertThat(Shape.wrongs(read)).as(text).isEmpty();
        DraftApplication.Result made = DraftApplication.of(snapshot, List.of(read), Harbour.NOW);
        read.words(new Wording(structure, made.structure()));
      }
    }
    assertThat(taken).as("not all of it is refused").isBetween(TRIES / 20, TRIES);
  }

  private static void alter(ObjectNode object, Random random) {
    List<String> keys = List.copyOf(object.propertyNames());
    String key = keys.isEmpty() || random.nextInt(12) == 0 ? "extra" : keys.get(random.nextInt(keys.size()));
    JsonNode value = object.get(key);
    if (value instanceof ObjectNode inner && random.nextBoolean()) {
      alter(inner, random);
    } else if (value instanceof ArrayNode list && !list.isEmpty() && list.get(0) instanceof ObjectNode inner && random.nextBoolean()) {
      alter(inner, random);
    } else if (random.nextInt(4) == 0) {
      object.remove(key);
    } else {
      object.set(key, any(random, 0));
    }
  }

  private static JsonNode any(Random random, int depth) {
    return switch (random.nextInt(depth > 3 ? 5 : 7)) {
      case 0 -> NODES.nullNode();
      case 1 -> NODES.booleanNode(random.nextBoolean());
      case 2 -> NODES.numberNode(random.nextInt());
      case 3, 4 -> NODES.stringNode(TEXTS.get(random.nextInt(TEXTS.size())));
      case 5 -> NODES.arrayNode().add(any(random, depth + 1)).add(any(random, depth + 1));
      default -> NODES.objectNode().set(TEXTS.get(random.nextInt(TEXTS.size())), any(random, depth + 1));
    };
  }
}
