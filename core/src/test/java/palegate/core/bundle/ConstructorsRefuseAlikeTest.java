package palegate.core.bundle;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.random.RandomStructures;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;
import palegate.core.text.IllFormed;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What the format refuses in a single value, the constructors of the structure refuse, with the same sentence. */
class ConstructorsRefuseAlikeTest {
  private static final JsonMapper JSON = new JsonMapper();
  private static final String LONG = "x".repeat(5_000);
  private static final List<String> NEVER = List.of("a\u202Eb", "a\u200Bb", "a\u0000b");
  /** Ill-formed values by key, beside those that are ill-formed everywhere. */
  private static final Map<String, List<String>> ILL_FORMED = Map.ofEntries(Map.entry("name", List.of(" ", LONG)), Map.entry("description", List.of(LONG)), Map.entry("reason", List.of(LONG)), Map.entry("note", List.of(LONG)),
      Map.entry("login", List.of("wenn\u0430", " wenna", "")), Map.entry("email", List.of("nobody", " ")), Map.entry("shortName", List.of(" ", LONG)), Map.entry("help", List.of(LONG)), Map.entry("key", List.of(" key", LONG)), Map.entry("text", List.of(LONG)),
      Map.entry("from", List.of("0900-01-01T00:00:00Z")), Map.entry("until", List.of("+12026-01-01T00:00:00Z")), Map.entry("checkedOutAt", List.of("0900-01-01T00:00:00Z")));
  /** What items of some lists may say beside what they do. */
  private static final Map<String, List<String>> MAY_SAY = Map.of("grants", List.of("note"), "withholdings", List.of("note"), "oversights", List.of("note"), "groups", List.of("description"), "people", List.of("email", "login"), "types", List.of("shortName"),
      "passes", List.of("note"), "separations", List.of("reason"));
  private static final Set<String> INSTANTS = Set.of("from", "until", "checkedOutAt");

  @Test
  void an_ill_formed_value_anywhere_in_a_structure_is_refused_by_what_would_hold_it() throws Exception {
    Set<String> tried = new TreeSet<>();
    for (long seed = 0; seed < Often.times(300); seed++) {
      Random random = new Random(seed);
      ObjectNode bundle = (ObjectNode) JSON.readTree(text(seed % 2 == 0 ? Harbour.structure() : RandomStructures.fromSeed(seed)));
      List<Runnable> spoilings = new ArrayList<>();
      List<String> where = new ArrayList<>();
      gather(bundle, "", random, spoilings, where);
      int chosen = random.nextInt(spoilings.size());
      spoilings.get(chosen).run();
      String told = "seed " + seed + ", " + where.get(chosen);
      List<String> refused = refusals(bundle, where.get(chosen));
      if (!refused.isEmpty()) {
        tried.add(where.get(chosen).replaceAll("/[0-9]+", ""));
        assertThatThrownBy(() -> StructureBinder.bind(bundle)).as(told).isInstanceOf(IllFormed.class).satisfies(thrown -> assertThat(refused).as(told).contains(thrown.getMessage()));
      }
    }
    assertThat(tried).contains("/people/name", "/people/login", "/people/email", "/places/id", "/places/name", "/places/labels/*", "/groups/id", "/groups/name", "/groups/members/until", "/grants/note", "/walls/name");
  }

  private static List<String> refusals(JsonNode bundle, String pointer) {
    try {
      BundleReader.read(JSON.writeValueAsBytes(bundle));
      return List.of();
    } catch (InvalidBundle invalid) {
      return invalid.faults().stream().filter(fault -> pointer.endsWith("*") ? fault.pointer().startsWith(pointer.substring(0, pointer.length() - 1)) : fault.pointer().equals(pointer)).map(fault -> fault.what() + " " + fault.remedy()).toList();
    }
  }

  /** Every way of spoiling one value, and where it is then told. */
  private static void gather(JsonNode node, String at, Random random, List<Runnable> spoilings, List<String> where) {
    if (node instanceof ArrayNode list) {
      for (int i = 0; i < list.size(); i++) {
        gather(list.get(i), at + "/" + i, random, spoilings, where);
      }
    } else if (node instanceof ObjectNode object) {
      MAY_SAY.forEach((list, keys) -> keys.stream().filter(key -> at.matches("/" + list + "/[0-9]+") && !object.has(key)).forEach(key -> {
        spoilings.add(() -> object.put(key, pick(ILL_FORMED.get(key), random)));
        where.add(at + "/" + key);
      }));
      object.propertyStream().toList().forEach(one -> {
        String key = one.getKey();
        if (key.equals("labels") && one.getValue() instanceof ObjectNode labels && !at.endsWith("scope")) {
          spoilings.add(() -> labels.put(pick(NEVER, random), "value"));
          where.add(at + "/labels/*");
          labels.propertyNames().forEach(label -> {
            spoilings.add(() -> labels.put(label, pick(List.of("a\u202Eb", " a", LONG), random)));
            where.add(at + "/labels/*");
          });
        } else if (one.getValue().isString() && (ILL_FORMED.containsKey(key) || key.equals("id"))) {
          List<String> ill = new ArrayList<>(INSTANTS.contains(key) ? List.of() : NEVER);
          ill.addAll(ILL_FORMED.getOrDefault(key, List.of("a b", "")));
          spoilings.add(() -> object.put(key, pick(ill, random)));
          where.add(at + "/" + key);
        } else {
          gather(one.getValue(), at + "/" + key, random, spoilings, where);
        }
      });
    }
  }

  private static String pick(List<String> among, Random random) {
    return among.get(random.nextInt(among.size()));
  }

  private static String text(Structure structure) throws Exception {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    BundleWriter.write(structure, out);
    return out.toString(StandardCharsets.UTF_8);
  }
}
