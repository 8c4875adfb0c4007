package palegate.server.bundle;

import palegate.core.structure.Structure;
import palegate.core.duties.Duty;
import palegate.core.bundle.BundleWriter;
import java.util.List;
import java.io.OutputStream;
import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.api.parallel.Isolated;
import palegate.core.bundle.BundleReader;
import palegate.server.store.StructureStore;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;

@ExtendWith(InDemo.class)
@Isolated
class BundleToolTest {
  @TempDir Path folder;

  @BeforeEach
  void pointAtTheTestDatabase(TestApplication app) {
    System.setProperty("spring.datasource.url", app.database().url());
    System.setProperty("spring.datasource.password", app.database().password());
    System.setProperty("spring.flyway.password", app.database().ownerPassword());
  }

  @AfterEach
  void pointAway() {
    System.clearProperty("spring.datasource.url");
    System.clearProperty("spring.datasource.password");
    System.clearProperty("spring.flyway.password");
  }

  private record Ran(int code, String err) {}

  private static Ran run(String... arguments) throws IOException {
    PrintStream old = System.err;
    ByteArrayOutputStream err = new ByteArrayOutputStream();
    System.setErr(new PrintStream(err, true, StandardCharsets.UTF_8));
    try {
      return new Ran(BundleTool.run(arguments), err.toString(StandardCharsets.UTF_8));
    } finally {
      System.setErr(old);
    }
  }

  @Test
  void what_is_taken_out_is_a_valid_bundle_and_brings_nothing_new_when_brought_in(TestApplication app) throws Exception {
    Path file = folder.resolve("whole structure.json");
    assertThat(run("export", file.toString()).code()).isZero();
    assertThat(BundleReader.read(Files.readAllBytes(file)).structure())
        .isEqualTo(app.bean(StructureStore.class).asOf(app.bean(StructureStore.class).head()));
    long before = app.bean(StructureStore.class).head();
    assertThat(run("import", file.toString()).code()).isZero();
    assertThat(app.bean(StructureStore.class).head()).isEqualTo(before);
  }

  @Test
  void an_earlier_state_brought_in_from_another_process_is_seen_at_the_next_request(TestApplication app) throws Exception {
    Browser auditor = app.signedIn("oriel.fenn");
    Path first = folder.resolve("first.json");
    Path newest = folder.resolve("newest.json");
    run("export", newest.toString());
    run("export", first.toString(), "--change", "1");
    assertThat(auditor.get("/api/places/lib-ten").body().path("place").path("standsAlone").asBoolean()).isTrue();
    assertThat(run("import", first.toString(), "--replace", "--note", "as it was").code()).isZero();
    assertThat(auditor.get("/api/places/lib-ten").body().path("place").path("standsAlone").asBoolean()).isFalse();
    assertThat(auditor.get("/api/journal").body().path("items").get(0).path("note").asString()).isEqualTo("as it was");
    assertThat(auditor.get("/api/journal").body().path("items").get(0).path("origin").asString()).isEqualTo("import");
    run("import", "--replace", newest.toString());
  }

  @Test
  void a_draft_that_touches_what_was_brought_in_is_kept_and_told(TestApplication app) throws Exception {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.post("/api/draft/changes", Map.of("kind", "addGrant", "place", "lib-ten", "role", "r-reader",
        "subject", Map.of("kind", "person", "id", "p-mia")));
    Path first = folder.resolve("first.json");
    Path newest = folder.resolve("newest.json");
    run("export", newest.toString());
    run("export", first.toString(), "--change", "1");
    run("import", "--replace", first.toString());
    assertThat(wenna.get("/api/draft").body().path("items")).hasSize(1);
    assertThat(wenna.get("/api/draft").body().path("clashes")).isNotEmpty();
    run("import", "--replace", newest.toString());
  }

  @Test
  void a_file_that_says_nothing_of_duties_leaves_them_and_one_that_leaves_nobody_with_system_is_refused(TestApplication app) throws Exception {
    Path file = folder.resolve("duties.json");
    run("export", file.toString());
    Structure is = BundleReader.read(Files.readAllBytes(file)).structure();
    Path silent = folder.resolve("silent.json");
    try (OutputStream out = Files.newOutputStream(silent)) {
      BundleWriter.write(is.administeredBy(List.of()), out);
    }
    assertThat(run("import", silent.toString(), "--replace").code()).isZero();
    assertThat(app.bean(StructureStore.class).asOf(app.bean(StructureStore.class).head()).duties()).isEqualTo(is.duties());
    Path nobody = folder.resolve("nobody.json");
    try (OutputStream out = Files.newOutputStream(nobody)) {
      BundleWriter.write(is.administeredBy(is.duties().values().stream().filter(given -> given.duty() != Duty.SYSTEM).toList()), out);
    }
    long before = app.bean(StructureStore.class).head();
    Ran refused = run("import", nobody.toString(), "--replace");
    assertThat(refused.code()).isEqualTo(1);
    assertThat(refused.err()).contains("[system]");
    assertThat(app.bean(StructureStore.class).head()).isEqualTo(before);
  }

  @Test
  void every_fault_is_listed_and_nothing_is_brought_in(TestApplication app) throws Exception {
    long before = app.bean(StructureStore.class).head();
    Path bad = Files.writeString(folder.resolve("bad.json"), """
        {"format":"pale-gate-bundle","version":1,"people":[{"id":"p","name":"P","unit":"nowhere"}],
         "groups":[{"id":"a","name":"A","members":[{"group":"b"}]},{"id":"b","name":"B","members":[{"group":"a"}]}],
         "walls":[{"id":"w","name":"W","kind":"screen","scope":{"places":["root"]},"subjects":[{"builtin":"staff"}]}]}
        """);
    Ran ran = run("import", bad.toString());
    assertThat(ran.code()).isEqualTo(1);
    assertThat(ran.err().lines()).hasSize(3).allSatisfy(line -> assertThat(line).startsWith(bad + ": /"));
    assertThat(app.bean(StructureStore.class).head()).isEqualTo(before);
  }

  @Test
  void what_would_undo_something_done_since_it_was_taken_out_is_said_and_not_brought_in_unless_told(TestApplication app) throws Exception {
    Browser wenna = app.signedIn("wenna.carrow");
    Path file = folder.resolve("taken out.json");
    assertThat(run("export", file.toString()).code()).isZero();
    String text = Files.readString(file);
    assertThat(text).contains("\"change\":" + app.bean(StructureStore.class).head());
    wenna.post("/api/draft/changes", Map.of("kind", "renamePlace", "place", "f-2417", "name", "Renamed since"));
    assertThat(wenna.putInForce(false).status()).isEqualTo(200);
    long head = app.bean(StructureStore.class).head();
    Ran ran = run("import", file.toString());
    assertThat(ran.code()).isEqualTo(1);
    assertThat(ran.err()).contains("would undo what has been changed since of 1 thing", "place [f-2417]", "--replace");
    assertThat(app.bean(StructureStore.class).head()).isEqualTo(head);
    Path nowhere = Files.writeString(folder.resolve("nowhere.json"), text.replaceFirst("\"change\":\\d+,", ""));
    assertThat(run("import", nowhere.toString()).err()).contains("does not say which change");
    Path edited = Files.writeString(folder.resolve("edited.json"), text.replace("\"name\":\"Lady Ottoline\"", "\"name\":\"Lady\""));
    wenna.post("/api/draft/changes", Map.of("kind", "renamePlace", "place", "f-2417", "name", app.bean(StructureStore.class).asOf(head - 1).places().get("f-2417").name()));
    assertThat(wenna.putInForce(false).status()).isEqualTo(200);
    assertThat(run("import", edited.toString()).code()).as("nothing of what it stems from has been changed since").isZero();
    assertThat(run("import", "--replace", file.toString()).code()).isZero();
  }

  @Test
  void unknown_options_and_paths_that_are_no_ordinary_files_are_refused(TestApplication app) throws Exception {
    assertThat(run("export", folder.resolve("x.json").toString(), "--chnage", "1").code()).isEqualTo(2);
    assertThat(run("import", folder.resolve("x.json").toString(), "--force").code()).isEqualTo(2);
    assertThat(run("export", folder.toString()).err()).contains("not an ordinary file");
    assertThat(run("export", "/dev/null").err()).contains("not an ordinary file");
    assertThat(run("export", folder.resolve("none/x.json").toString()).err()).contains("There is no folder");
    assertThat(run("export", folder.resolve("x.json").toString(), "--change", "one").code()).isEqualTo(2);
    assertThat(folder.resolve("x.json")).doesNotExist();
  }

  @Test
  void wrong_usage_is_said_plainly(TestApplication app) throws Exception {
    assertThat(run("import", folder.resolve("none.json").toString())).isEqualTo(new Ran(2, "There is no file " + folder.resolve("none.json") + ".\n"));
    assertThat(run("export", folder.resolve("x.json").toString(), "--change", "999").err()).contains("There is no change 999");
    assertThat(folder.resolve("x.json")).doesNotExist();
    Path empty = Files.writeString(folder.resolve("empty.json"), "{\"format\":\"pale-gate-bundle\",\"version\":1}");
    assertThat(run("import", empty.toString(), "--replace").err()).contains("no repository");
  }
}
