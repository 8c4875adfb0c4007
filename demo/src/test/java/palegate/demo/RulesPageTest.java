package palegate.demo;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.DynamicTest;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestFactory;
import palegate.core.access.Trace;
import palegate.core.changes.DraftApplication;
import palegate.core.people.Person;
import palegate.core.questions.Explanation;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/** Every row of every table of docs/access-rules.md, asked of the engine. */
class RulesPageTest {
  private static final Instant NOW = Instant.parse("2026-11-24T10:00:00Z");
  private static final String HEADER = "| Person | Place | Rights now | What decides |";
  private static final Map<String, String> STAGES = Map.of("walls", "walls", "grants", "grants", "withholdings", "withholdings", "clearance", "clearance",
      "ceiling", "ceiling", "house rules", "house rules", "conditions", "conditions", "oversight", "oversight");

  private record Example(String person, String place, String rights, String decides) {}

  private final Snapshot snapshot = Snapshot.of(demo());

  private static Structure demo() {
    Structure structure = Sallowpoint.structure(NOW);
    for (Sallowpoint.PastChange past : Sallowpoint.history(NOW)) {
      structure = DraftApplication.of(Snapshot.of(structure), past.changes(), past.at()).structure();
    }
    return structure;
  }

  private static List<Example> examples() throws Exception {
    List<String> lines = Files.readAllLines(Path.of("..", "docs", "access-rules.md"));
    return IntStream.range(0, lines.size()).filter(i -> lines.get(i).startsWith("| ") && !lines.get(i).equals(HEADER)).mapToObj(lines::get)
        .map(line -> line.split("\\s*\\|\\s*")).map(cells -> new Example(cells[1], cells[2], cells[3], cells[4])).toList();
  }

  @TestFactory
  Stream<DynamicTest> every_example_of_the_page_is_what_the_engine_answers() throws Exception {
    Map<String, Person> people = snapshot.structure().people().values().stream().collect(Collectors.toMap(Person::name, Function.identity()));
    Map<String, Integer> places = IntStream.range(0, snapshot.placeCount()).boxed().collect(Collectors.toMap(snapshot::pathText, place -> place));
    return examples().stream().map(example -> DynamicTest.dynamicTest(example.person() + " at " + example.place(), () -> {
      int person = snapshot.personNumber(people.get(example.person()).id());
      Trace trace = Explanation.of(snapshot, NOW, person, places.get(example.place()), Explanation.WallReasons.HIDDEN);
      assertThat(trace.rights().isEmpty() ? "nothing" : trace.rights().toString()).isEqualTo(example.rights());
      assertThat(deciding(trace)).isEqualTo(STAGES.get(example.decides()));
    }));
  }

  @Test
  void the_page_has_an_example_of_every_kind_of_deciding_stage_but_house_rules_which_cut_nothing_in_the_demo() throws Exception {
    assertThat(examples().stream().map(Example::decides).distinct()).contains("walls", "grants", "withholdings", "clearance", "ceiling", "conditions", "oversight");
  }

  /** The last stage that changed anything; walls where they bar, and grants where nothing was ever given. */
  private static String deciding(Trace trace) {
    if (trace.withoutWalls() != null) {
      return "walls";
    }
    return trace.stages().stream().filter(step -> !step.before().equals(step.after())).reduce((first, second) -> second)
        .map(step -> step.title().toLowerCase(Locale.ROOT)).orElse("grants");
  }
}
