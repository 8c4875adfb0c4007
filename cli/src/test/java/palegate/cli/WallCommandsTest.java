package palegate.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import palegate.cli.CommandLineTest.Ran;

/** The commands about walls, and the walk: their files, their exit codes, and what they say of what is wrong. */
class WallCommandsTest {
  private static final String BUNDLE = """
      {"format":"pale-gate-bundle","version":1,
       "people":[{"id":"p-a","name":"Ada"},{"id":"p-b","name":"Bo"},{"id":"p-c","name":"Cy","active":false}],
       "groups":[{"id":"g","name":"Surveyors","members":[{"person":"p-a"},{"person":"p-b"}]}],
       "roles":[{"id":"r","name":"Reader","rights":["copy"]}],
       "places":[{"id":"root","kind":"repository","name":"R"},{"id":"l","kind":"library","parent":"root","name":"L"},
                 {"id":"f","kind":"folder","parent":"l","name":"C-2411 Amber Tern","labels":{"case":"C-2411"}},
                 {"id":"d","kind":"document","parent":"f","name":"Report"},
                 {"id":"m","kind":"folder","parent":"l","name":"Loose papers","labels":{"case":"c 2411"}},
                 {"id":"n","kind":"document","parent":"m","name":"Letter"}],
       "grants":[{"id":"e","place":"l","subject":{"group":"g"},"role":"r"}],
       "walls":[{"id":"w-screen","name":"Ada, away","kind":"screen","state":"standing","scope":{"labels":{"case":["C-2411"]}},"subjects":[{"person":"p-a"}]},
                {"id":"w-sides","name":"Both","kind":"sides","state":"standing","sides":[
                  {"name":"one","subjects":[{"group":"g"}],"scope":{"places":["f"]}},{"name":"two","subjects":[{"person":"p-b"}],"scope":{"places":["m"]}}]},
                {"id":"w-planned","name":"Later","kind":"seal","state":"planned","from":"2026-06-01T00:00:00Z","scope":{"places":["m"]},"subjects":[{"person":"p-b"}]}],
       "duties":[{"id":"du","subject":{"person":"p-a"},"duty":"audit"}]}
      """;

  @TempDir Path folder;
  private Path bundle;

  @BeforeEach
  void writeBundle() throws Exception {
    bundle = Files.writeString(folder.resolve("walls.json"), BUNDLE);
  }

  private Ran run(String... arguments) {
    return CommandLineTest.run(arguments);
  }

  @Test
  void walls_prints_a_row_for_each_wall_and_nobody_is_kept_out_by_one_that_does_not_stand() {
    Ran ran = run("walls", "--bundle", bundle.toString(), "--format", "csv");
    assertThat(ran.code()).isZero();
    // The sides: Bo is on both and so kept out of both folders, Ada of the second only.
    assertThat(ran.out()).isEqualTo("""
        wall,kind,places,documents,people,pairs
        w-planned,seal,2,1,0,0
        w-screen,screen,2,1,1,2
        w-sides,sides,4,2,2,6
        """);
    Ran json = run("walls", "--bundle", bundle.toString(), "--wall", "w-screen", "--format", "json");
    assertThat(json.out()).contains("\"gaps\"", "\"written differently\"", "\"case: c 2411\"").doesNotContain("w-sides");
    assertThat(run("walls", "--bundle", bundle.toString()).out()).contains("p-b is on more than one side: one, two.", "nearly sure: m");
    assertThat(run("walls", "--bundle", bundle.toString(), "--wall", "none").code()).isEqualTo(2);
  }

  @Test
  void prove_writes_a_certificate_that_verify_confirms_of_this_bundle_and_of_no_other() throws Exception {
    Path certificate = folder.resolve("certificate.json");
    assertThat(run("prove", "--bundle", bundle.toString(), "--out", certificate.toString()).code()).isZero();
    assertThat(Files.readString(certificate)).contains("pale-gate-certificate", "sha256:", "\"wall\" : \"w-screen\"").doesNotContain("w-planned");
    assertThat(run("prove", "--bundle", bundle.toString(), "--format", "csv").out()).isEqualTo("wall,pairs,leaks\nw-screen,2,0\nw-sides,6,0\n");
    assertThat(run("prove", "--bundle", bundle.toString(), "--wall", "w-planned", "--format", "csv").out()).as("a planned one for its first day: everybody active but Bo").isEqualTo("wall,pairs,leaks\nw-planned,2,0\n");
    assertThat(run("verify", certificate.toString(), "--bundle", bundle.toString()).code()).isZero();
    Path other = Files.writeString(folder.resolve("other.json"), BUNDLE.replace("\"C-2411\"]", "\"C-2411\",\"c 2411\"]"));
    Ran not = run("verify", certificate.toString(), "--bundle", other.toString());
    assertThat(not.code()).isEqualTo(3);
    assertThat(not.out()).contains("another state", "w-screen is defined otherwise", "4 pairs");
    Path forged = Files.writeString(folder.resolve("forged.json"), Files.readString(certificate).replaceFirst("\"pairs\" : 2", "\"pairs\" : 3"));
    assertThat(run("verify", forged.toString(), "--bundle", bundle.toString()).code()).isEqualTo(3);
    assertThat(run("verify", bundle.toString(), "--bundle", bundle.toString()).err()).contains("is no certificate");
  }

  @Test
  void walk_prints_what_the_person_finds_and_what_leads_there_and_never_past_the_walls_of_who_walks() {
    assertThat(run("walk", "--bundle", bundle.toString(), "--person", "p-b", "--format", "csv").out()).as("on two sides: neither folder").isEqualTo("place,kind,shown\nl,library,found\nroot,repository,passage\n");
    Path open = folder.resolve("open.json");
    assertThat(run("walk", "--bundle", write(open, BUNDLE.replace("{\"group\":\"g\"}],\"scope\"", "{\"person\":\"p-c\"}],\"scope\"").replace("[{\"person\":\"p-b\"}],\"scope\":{\"places\":[\"m\"]}}]}", "[{\"person\":\"p-c\"}],\"scope\":{\"places\":[\"m\"]}}]}")).toString(), "--person", "p-b", "--format", "csv").out())
        .contains("d,document,found", "m,folder,found");
    assertThat(run("walk", "--bundle", open.toString(), "--person", "p-b", "--as", "p-a", "--format", "csv").out()).as("Ada is kept out of C-2411 herself").contains("m,folder,found").doesNotContain("d,document", "f,folder");
    assertThat(run("walk", "--bundle", open.toString(), "--person", "p-b").out()).contains("C-2411 Amber Tern: find read copy", "R (leads on)");
    assertThat(run("walk", "--bundle", open.toString(), "--person", "nobody").code()).isEqualTo(2);
    assertThat(run("walk", "--bundle", open.toString(), "--person", "p-b", "--as", "nobody").code()).isEqualTo(2);
  }

  @Test
  void ask_answers_asks_back_and_says_what_is_no_question() {
    assertThat(run("ask", "--bundle", bundle.toString(), "can Ada read Report").out()).contains("No: Ada cannot read L / C-2411 Amber Tern / Report; a wall keeps them out.");
    assertThat(run("ask", "--bundle", bundle.toString(), "who can copy L").out()).contains("2 people can copy L: Ada, Bo.");
    assertThat(run("ask", "--bundle", bundle.toString(), "who is behind Ada, away").out()).contains("It keeps out 1 person: Ada.");
    Ran missing = run("ask", "--bundle", bundle.toString(), "can Zoe read Report");
    assertThat(missing.code()).isEqualTo(3);
    assertThat(missing.out()).contains("There is nothing called “Zoe”.");
    assertThat(run("ask", "--bundle", bundle.toString(), "how is the weather").code()).isEqualTo(2);
    assertThat(run("ask", "--bundle", bundle.toString(), "what changed for Ada").err()).contains("A bundle is one state");
  }

  private static Path write(Path file, String text) {
    try {
      return Files.writeString(file, text);
    } catch (java.io.IOException failed) {
      throw new java.io.UncheckedIOException(failed);
    }
  }
}
