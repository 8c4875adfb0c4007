package palegate.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import palegate.cli.CommandLineTest.Ran;

/** The command that says the same with fewer entries: what it lists, and that its changes give everybody exactly what they had. */
class MiningCommandTest {
  private static final String BUNDLE = """
      {"format":"pale-gate-bundle","version":1,
       "people":[{"id":"p-a","name":"Ada"},{"id":"p-b","name":"Bo"},{"id":"p-c","name":"Cy"}],
       "groups":[{"id":"g","name":"Surveyors","members":[{"person":"p-a"},{"person":"p-b"}]}],
       "roles":[{"id":"r","name":"Reader","rights":["find","read","copy"]}],
       "places":[{"id":"root","kind":"repository","name":"R"},{"id":"l","kind":"library","parent":"root","name":"L"},
                 {"id":"f","kind":"folder","parent":"l","name":"F"}],
       "grants":[{"id":"e1","place":"l","subject":{"person":"p-a"},"role":"r"},{"id":"e2","place":"l","subject":{"person":"p-b"},"role":"r"},
                 {"id":"e3","place":"f","subject":{"person":"p-a"},"role":"r"},{"id":"e4","place":"l","subject":{"person":"p-c"},"role":"r"}]}
      """;

  @TempDir Path folder;
  private Path bundle;

  @BeforeEach
  void writeBundle() throws Exception {
    bundle = Files.writeString(folder.resolve("many.json"), BUNDLE);
  }

  private static Ran run(Object... arguments) {
    return CommandLineTest.run(Arrays.stream(arguments).map(Object::toString).toArray(String[]::new));
  }

  @Test
  void what_it_lists_is_the_same_every_time_and_reads_as_text_csv_and_json() {
    Ran text = run("mining", "--bundle", bundle);
    assertThat(text.code()).isZero();
    assertThat(text.out()).isEqualTo("""
           1  Name Surveyors and not 2 of its people one by one, at L.
           1  Take off what does nothing: “Reader” for Ada at L / F.
        4 entries could be 2; nobody would gain or lose anything.
        """);
    assertThat(run("mining", "--bundle", bundle, "--format", "csv").out()).startsWith("kind,saves,text\ngroup,1,").contains("\nidle,1,");
    assertThat(run("mining", "--bundle", bundle, "--format", "json").out()).contains("\"complete\" : true", "\"entries\" : 4", "\"entries\" : 2", "\"mined-").isEqualTo(run("mining", "--bundle", bundle, "--format", "json").out());
  }

  @Test
  void its_changes_are_applied_and_nobody_has_anything_else() {
    Path changes = folder.resolve("fewer.json");
    Path after = folder.resolve("after.json");
    assertThat(run("mining", "--bundle", bundle, "--changes", changes, "--out", folder.resolve("list.txt")).code()).isZero();
    assertThat(run("apply", "--bundle", bundle, "--changes", changes, "--out", after).code()).isZero();
    assertThat(run("diff", "--before", bundle, "--after", after).out()).isEqualTo("person,place,gained,lost\n");
    assertThat(run("mining", "--bundle", after).out()).isEqualTo("Nothing can be said with fewer entries.\n");
  }

  @Test
  void without_time_it_says_that_not_everything_was_tried() {
    Ran none = run("mining", "--bundle", bundle, "--minutes", 0);
    assertThat(none.code()).isZero();
    assertThat(none.out()).contains("There was not time to try everything.");
    for (String wrong : new String[] {"-1", "2000000000", "x"}) {
      assertThat(run("mining", "--bundle", bundle, "--minutes", wrong).code()).as(wrong).isEqualTo(2);
    }
  }
}
