package palegate.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.ByteArrayOutputStream;
import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

class CommandLineTest {
  private static final String BUNDLE = """
      {"format":"pale-gate-bundle","version":1,
       "people":[{"id":"p-b","name":"Bo"},{"id":"p-a","name":"Ada"},{"id":"p-x","name":"Xi","external":true}],
       "groups":[{"id":"g","name":"Surveyors","members":[{"person":"p-a","until":"2026-06-01T00:00:00Z"}]}],
       "roles":[{"id":"r","name":"Reader","rights":["copy"]}],
       "places":[{"id":"root","kind":"repository","name":"R"},{"id":"b","kind":"library","parent":"root","name":"B"},
                 {"id":"Z","kind":"library","parent":"root","name":"Z","standsAlone":true}],
       "grants":[{"id":"e1","place":"root","subject":{"group":"g"},"role":"r"},
                 {"id":"e2","place":"Z","subject":{"person":"p-b"},"role":"r"}]}
      """;

  private static final Instant NOW = Instant.parse("2026-05-01T00:00:00.123456789Z");

  @TempDir Path folder;
  private Path bundle;

  record Ran(int code, String out, String err) {}

  @BeforeEach
  void writeBundle() throws Exception {
    bundle = Files.writeString(folder.resolve("a bundle.json"), BUNDLE);
  }

  static Ran run(String... arguments) {
    PrintStream oldOut = System.out;
    PrintStream oldErr = System.err;
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    ByteArrayOutputStream err = new ByteArrayOutputStream();
    try {
      System.setOut(new PrintStream(out, true, StandardCharsets.UTF_8));
      System.setErr(new PrintStream(err, true, StandardCharsets.UTF_8));
      int code = Main.run(Clock.fixed(NOW, ZoneOffset.UTC), arguments);
      return new Ran(code, out.toString(StandardCharsets.UTF_8), err.toString(StandardCharsets.UTF_8));
    } finally {
      System.setOut(oldOut);
      System.setErr(oldErr);
    }
  }

  @Test
  void access_prints_rows_by_person_then_place_in_byte_order() {
    assertThat(run("access", "--bundle", bundle.toString())).isEqualTo(new Ran(0, """
        person,place,rights
        p-a,b,find read copy
        p-a,root,find read copy
        p-b,Z,find read copy
        """, ""));
  }

  @Test
  void access_asks_at_the_instant_given() {
    assertThat(run("access", "--bundle", bundle.toString(), "--at", "2026-06-01T00:00:00Z").out())
        .isEqualTo("person,place,rights\np-b,Z,find read copy\n");
  }

  @Test
  void access_as_json_lines_into_a_file_with_a_space_in_its_name() throws Exception {
    Path out = folder.resolve("the rows.jsonl");
    assertThat(run("access", "--bundle", bundle.toString(), "--format", "jsonl", "--out", out.toString()).code()).isZero();
    assertThat(Files.readAllLines(out)).first().isEqualTo("{\"person\":\"p-a\",\"place\":\"b\",\"rights\":[\"find\",\"read\",\"copy\"]}");
  }

  @Test
  void explain_prints_the_stages_the_entry_and_the_path() {
    assertThat(run("explain", "--bundle", bundle.toString(), "--person", "p-a", "--place", "b").out())
        .contains("stage 0", "stage 2", "stage 3", "stage 6", "grant e1", "by  group g (Surveyors)", "rights  find read copy");
    assertThat(run("explain", "--bundle", bundle.toString(), "--person", "p-a", "--place", "Z").out())
        .contains("no effect: grant e1", "a break below it stops it");
  }

  @Test
  void now_is_printed_to_the_second_and_asks_the_same_again() {
    Ran now = run("explain", "--bundle", bundle.toString(), "--person", "p-a", "--place", "b");
    assertThat(now.out()).contains("at      2026-05-01T00:00:00Z\n");
    assertThat(run("explain", "--bundle", bundle.toString(), "--person", "p-a", "--place", "b", "--at", "2026-05-01T00:00:00Z")).isEqualTo(now);
  }

  @Test
  void diff_prints_gained_and_lost() throws Exception {
    Path after = Files.writeString(folder.resolve("after.json"),
        BUNDLE.replace("\"standsAlone\":true", "\"standsAlone\":false").replace("[\"copy\"]", "[\"read\"]"));
    assertThat(run("diff", "--before", bundle.toString(), "--after", after.toString()).out()).isEqualTo("""
        person,place,gained,lost
        p-a,Z,find read,
        p-a,b,,copy
        p-a,root,,copy
        p-b,Z,,copy
        """);
  }

  @Test
  void check_says_what_it_found_and_exits_0_if_the_bundle_is_valid() {
    Ran ran = run("check", "--bundle", bundle.toString());
    assertThat(ran.code()).isZero();
    assertThat(ran.out()).contains("Role [r] was completed with find read", "Valid: 3 people");
  }

  @Test
  void who_and_reach_say_together_what_access_says() {
    List<String> pairs = run("access", "--bundle", bundle.toString()).out().lines().skip(1).toList();
    List<String> byPlace = new ArrayList<>();
    List<String> byPerson = new ArrayList<>();
    pairs.stream().map(line -> line.split(",")[1]).distinct().forEach(place -> run("who", "--bundle", bundle.toString(), "--place", place, "--format", "csv").out().lines().skip(1)
        .forEach(line -> byPlace.add(line.split(",")[0] + "," + place + "," + line.split(",")[1])));
    pairs.stream().map(line -> line.split(",")[0]).distinct().forEach(person -> run("reach", "--bundle", bundle.toString(), "--person", person, "--format", "csv").out().lines().skip(1).forEach(line -> byPerson.add(person + "," + line)));
    assertThat(byPlace).containsExactlyInAnyOrderElementsOf(pairs);
    assertThat(byPerson).containsExactlyInAnyOrderElementsOf(pairs);
    assertThat(run("who", "--bundle", bundle.toString(), "--place", "root").out()).contains(" — ").contains(" at ");
    assertThat(run("who", "--bundle", bundle.toString(), "--place", "none").err()).contains("There is no place none");
    assertThat(run("reach", "--bundle", bundle.toString(), "--person", "p-a", "--right", "wander").err()).contains("There is no right [wander]");
  }

  @Test
  void matrix_says_what_entries_give_and_where_that_comes_from() {
    Ran whole = run("matrix", "--bundle", bundle.toString(), "--subjects", "named-below", "--documents", "--format", "csv");
    assertThat(whole.out()).startsWith("subject,place,rights,origin\n");
    List<String> lines = whole.out().lines().skip(1).toList();
    assertThat(lines).isNotEmpty().isSorted().allMatch(line -> line.matches("(person|group|unit|builtin):[^,]+,[^,]+,[a-z ]*,(here|above|group)"));
    String[] first = lines.get(0).split(",", -1);
    assertThat(run("matrix", "--bundle", bundle.toString(), "--subjects", first[0], "--places", first[1], "--format", "csv").out()).isEqualTo("subject,place,rights,origin\n" + lines.get(0) + "\n");
    assertThat(run("matrix", "--bundle", bundle.toString(), "--format", "json").out()).contains("\"origin\"");
    assertThat(run("matrix", "--bundle", bundle.toString(), "--subjects", "groups", "--outliers").code()).isZero();
    assertThat(run("matrix", "--bundle", bundle.toString(), "--subjects", "group:none").err()).contains("There is no subject group:none");
    assertThat(run("matrix", "--bundle", bundle.toString(), "--places", "none").err()).contains("There is no place none");
    assertThat(run("matrix", "--bundle", bundle.toString(), "--places", "root", "--outliers").err()).contains("places beside each other");
    assertThat(run("matrix", "--bundle", bundle.toString(), "--places", "root,root", "--format", "csv").out()).isEqualTo(run("matrix", "--bundle", bundle.toString(), "--places", "root", "--format", "csv").out());
  }

  @Test
  void findings_come_with_their_fixes_and_applying_one_takes_it_away() throws Exception {
    Ran csv = run("findings", "--bundle", bundle.toString(), "--format", "csv");
    assertThat(csv.code()).isEqualTo(3);
    assertThat(csv.out()).startsWith("rule,severity,thing,text\n").contains("no-keeper,grave,place:root,");
    JsonNode found = JsonMapper.shared().readTree(run("findings", "--bundle", bundle.toString(), "--format", "json").out()).path("findings");
    JsonNode fixed = found.valueStream().filter(finding -> finding.path("fixes").size() > 0).findFirst().orElseThrow();
    Path changes = Files.writeString(folder.resolve("fix.json"), "{\"format\":\"pale-gate-changes\",\"version\":1,\"changes\":" + fixed.path("fixes").get(0).path("changes") + "}");
    Path after = folder.resolve("fixed.json");
    assertThat(run("apply", "--bundle", bundle.toString(), "--changes", changes.toString(), "--out", after.toString()).err()).isEmpty();
    String left = run("findings", "--bundle", after.toString(), "--format", "json").out();
    assertThat(JsonMapper.shared().readTree(left).path("findings").valueStream().map(finding -> finding.path("key").asString())).doesNotContain(fixed.path("key").asString());
    assertThat(run("findings", "--bundle", bundle.toString(), "--rule", "no-such").err()).contains("There is no rule [no-such]");
    assertThat(run("findings", "--bundle", bundle.toString(), "--severity", "high").code()).isEqualTo(2);
    assertThat(run("findings", "--bundle", bundle.toString(), "--rule", "wall-conflict").code()).isZero();
  }

  @Test
  void every_fault_goes_to_stderr_with_file_and_pointer_and_nothing_is_written() throws Exception {
    Path bad = Files.writeString(folder.resolve("bad.json"), BUNDLE.replace("\"person\":\"p-b\"", "\"person\":\"p-q\"").replace("\"external\"", "\"outside\""));
    Path out = folder.resolve("out.csv");
    Ran ran = run("access", "--bundle", bad.toString(), "--out", out.toString());
    assertThat(ran.code()).isEqualTo(1);
    assertThat(ran.out()).isEmpty();
    List<String> lines = new ArrayList<>(ran.err().lines().toList());
    assertThat(lines).hasSize(2).allSatisfy(line -> assertThat(line).startsWith(bad + ": /"));
    assertThat(lines.get(0)).contains("/grants/1/subject/person: There is no [p-q]");
    assertThat(out).doesNotExist();
    try (var left = Files.list(folder)) {
      assertThat(left).noneMatch(file -> file.toString().endsWith(".part"));
    }
  }

  @Test
  void diff_lists_the_faults_of_both_files() throws Exception {
    Path bad = Files.writeString(folder.resolve("bad.json"), "{");
    Path worse = Files.writeString(folder.resolve("worse.json"), "");
    Ran ran = run("diff", "--before", bad.toString(), "--after", worse.toString());
    assertThat(ran.code()).isEqualTo(1);
    assertThat(ran.err()).contains(bad.toString(), worse.toString());
  }

  @Test
  void wrong_usage_exits_2_with_a_plain_sentence() {
    assertThat(run().code()).isEqualTo(2);
    assertThat(run("access").code()).isEqualTo(2);
    assertThat(run("access", "--bundle", folder.resolve("none.json").toString()).code()).isEqualTo(2);
    assertThat(run("access", "--bundle", bundle.toString(), "--at", "yesterday").err()).contains("[yesterday] is not an instant");
    assertThat(run("explain", "--bundle", bundle.toString(), "--person", "p-q", "--place", "b")).satisfies(ran -> {
      assertThat(ran.code()).isEqualTo(2);
      assertThat(ran.err()).contains("There is no person [p-q]");
    });
  }

  @Test
  void help_is_there_for_every_command() {
    for (String command : List.of("access", "explain", "diff", "check")) {
      assertThat(run(command, "--help")).satisfies(ran -> {
        assertThat(ran.code()).isZero();
        assertThat(ran.out()).contains("palegate " + command, "Examples:", "  palegate " + command + " --");
      });
    }
  }

  @Test
  void every_example_of_the_help_is_a_command_that_can_be_run() {
    for (String command : List.of("access", "explain", "diff", "check")) {
      run(command, "--help").out().lines().filter(line -> line.startsWith("  palegate ")).forEach(line -> {
        String[] words = line.strip().substring("palegate ".length()).replaceAll("[a-z]+\\.json", "none.json").split(" ");
        assertThat(run(words).err()).as(line).contains("none.json").doesNotContain("Unknown option", "Missing required");
      });
    }
  }

  @Test
  void the_shell_completes_commands_options_and_their_values() throws Exception {
    assertThat(completed("palegate", "ex")).containsExactly("export", "explain");
    assertThat(completed("palegate", "access", "--f")).containsExactly("--format");
    assertThat(completed("palegate", "access", "--format", "")).containsExactly("csv", "jsonl");
    assertThat(completed("./palegate", "test", "s")).containsExactly("server");
    for (String command : List.of("access", "explain", "diff", "check")) {
      List<String> options = run(command, "--help").out().lines().map(String::strip).filter(line -> line.startsWith("--"))
          .map(line -> line.split("[= ,]")[0]).toList();
      assertThat(completed("palegate", command, "--")).as(command).containsAll(options);
    }
  }

  private List<String> completed(String... words) throws Exception {
    List<String> command = new ArrayList<>(List.of("bash", "-c",
        "source ../scripts/completion.bash; COMP_WORDS=(\"$@\"); COMP_CWORD=$(($# - 1)); _palegate; printf '%s\\n' \"${COMPREPLY[@]}\"", "bash"));
    command.addAll(List.of(words));
    Process bash = new ProcessBuilder(command).redirectErrorStream(true).start();
    return List.of(new String(bash.getInputStream().readAllBytes(), StandardCharsets.UTF_8).strip().split("\n"));
  }

  @Test
  void conditions_count_now_and_not_for_standing_rights_and_a_wall_is_explained_with_what_would_hold_without_it() throws Exception {
    Path guarded = Files.writeString(folder.resolve("guarded.json"), """
        {"format":"pale-gate-bundle","version":1,
         "people":[{"id":"p-a","name":"Ada"},{"id":"p-b","name":"Bo"}],
         "roles":[{"id":"r","name":"Reader","rights":["read"]}],
         "places":[{"id":"root","kind":"repository","name":"R"},{"id":"l","kind":"library","parent":"root","name":"L"},
                   {"id":"d","kind":"document","parent":"l","name":"D","owner":"p-a","conditions":{"private":true}}],
         "grants":[{"id":"e","place":"l","subject":{"builtin":"staff"},"role":"r"}],
         "walls":[{"id":"w","name":"W","reason":"kin","kind":"screen","scope":{"places":["l"]},"subjects":[{"person":"p-b"}],
                   "exceptions":[{"subject":{"person":"p-b"},"until":"2026-06-01T00:00:00Z"}]}]}
        """);
    assertThat(run("access", "--bundle", guarded.toString()).out()).isEqualTo("""
        person,place,rights
        p-a,d,find read
        p-a,l,find read
        p-b,l,find read
        """);
    assertThat(run("access", "--bundle", guarded.toString(), "--standing").out()).contains("p-b,d,find read\n");
    Ran later = run("explain", "--bundle", guarded.toString(), "--person", "p-b", "--place", "l", "--at", "2026-07-01T00:00:00Z");
    assertThat(later.out()).contains("rights  (none)", "barred by the screen \"W\"", "(kin)", "without the wall: find read");
  }

  private Path changes(String... changes) throws Exception {
    return Files.writeString(folder.resolve("the changes.json"), "{\"format\": \"pale-gate-changes\", \"version\": 1, \"changes\": [" + String.join(",", changes).replace('\'', '"') + "]}");
  }

  private static final String GRANT = "{'kind': 'addGrant', 'place': 'Z', 'subject': {'kind': 'person', 'id': 'p-x'}, 'role': 'r'}";

  @Test
  void rehearse_prints_what_changes_would_do_and_apply_the_bundle_after_them() throws Exception {
    Path draft = changes(GRANT, "{'kind': 'removeGrant', 'place': 'Z', 'entry': 'e2'}");
    String rows = "person,place,gained,lost\np-b,Z,,find read copy\np-x,Z,find read copy,\n";
    assertThat(run("rehearse", "--bundle", bundle.toString(), "--changes", draft.toString())).isEqualTo(new Ran(0, rows, ""));
    Path after = folder.resolve("after.json");
    assertThat(run("apply", "--bundle", bundle.toString(), "--changes", draft.toString(), "--out", after.toString()).code()).isZero();
    assertThat(run("diff", "--before", bundle.toString(), "--after", after.toString()).out()).as("both ways say the same").isEqualTo(rows);
    assertThat(run("rehearse", "--bundle", bundle.toString(), "--changes", draft.toString(), "--format", "json").out())
        .contains("\"peopleGaining\":1", "\"outsidersGaining\":1", "{\"person\":\"p-x\",\"place\":\"Z\",\"gained\":[\"find\",\"read\",\"copy\"],\"lost\":[]}");
    assertThat(run("rehearse", "--bundle", bundle.toString(), "--changes", draft.toString(), "--format", "text").out())
        .contains("place Z: Give Reader to Xi.", "Xi (outsider): gains find, read, copy at 1, loses nothing at 0.");
  }

  @Test
  void rehearse_says_by_its_exit_code_that_somebody_else_would_have_to_approve() throws Exception {
    Files.writeString(bundle, BUNDLE.replaceFirst("\\}\\s*$", ", \"approvals\": [{\"id\": \"ap\", \"name\": \"Outsiders\", \"when\": {\"outsidersGain\": true}, \"duty\": \"access\"}]}"));
    Ran ran = run("rehearse", "--bundle", bundle.toString(), "--changes", changes(GRANT).toString(), "--as", "p-b");
    assertThat(ran.code()).isEqualTo(3);
    assertThat(ran.out()).isEqualTo("person,place,gained,lost\np-x,Z,find read copy,\n");
    assertThat(ran.err()).contains("outsiders gain rights (somebody with the duty access)");
  }

  @Test
  void changes_that_cannot_be_made_are_refused_all_at_once_and_nothing_is_written() throws Exception {
    Path out = folder.resolve("never.json");
    Path draft = changes(GRANT.replace("p-x", "p-none").replace("'r'", "'r-none'"), "{'kind': 'removePlace', 'place': 'root'}");
    for (String command : List.of("rehearse", "apply")) {
      Ran ran = run(command, "--bundle", bundle.toString(), "--changes", draft.toString(), "--out", out.toString());
      assertThat(ran.code()).isEqualTo(4);
      assertThat(ran.err().lines()).hasSize(4).allSatisfy(line -> assertThat(line).startsWith(draft + ": /changes/"));
      assertThat(out).doesNotExist();
    }
  }

  @Test
  void how_changes_are_written_and_what_stands_against_them_is_said_at_once() throws Exception {
    Path draft = changes(GRANT.replace("p-x", "p-none"), "{'kind': 'seize'}", "{'kind': 'removePlace', 'place': 'never'}");
    Ran ran = run("rehearse", "--bundle", bundle.toString(), "--changes", draft.toString());
    assertThat(ran.code()).isEqualTo(1);
    assertThat(ran.err().lines()).hasSize(3).anyMatch(line -> line.contains("/changes/0: ") && line.contains("[p-none]")).anyMatch(line -> line.contains("/changes/1/kind")).anyMatch(line -> line.contains("/changes/2: ") && line.contains("[never]"));
  }

  @Test
  void the_faults_of_a_file_of_changes_are_listed_with_those_of_the_bundle() throws Exception {
    Files.writeString(bundle, BUNDLE.replace("\"role\":\"r\"}]}", "\"role\":\"r-none\"}]}"));
    Ran ran = run("rehearse", "--bundle", bundle.toString(), "--changes", changes("{'kind': 'addGrant', 'place': 7}", "{'kind': 'seize'}").toString());
    assertThat(ran.code()).isEqualTo(1);
    assertThat(ran.err()).contains("a bundle.json: /grants/1/role", "the changes.json: /changes/0/place", "/changes/0/subject", "/changes/0/role", "/changes/1/kind");
    assertThat(run("apply", "--bundle", bundle.toString(), "--changes", folder.resolve("none.json").toString()).code()).isEqualTo(2);
  }

  @Test
  void whoever_would_put_changes_in_force_is_told_what_they_would_no_longer_govern() throws Exception {
    Files.writeString(bundle, BUNDLE.replace("\"rights\":[\"copy\"]", "\"rights\":[\"copy\",\"govern\"]"));
    Path draft = changes("{'kind': 'removeGrant', 'place': 'Z', 'entry': 'e2'}");
    assertThat(run("rehearse", "--bundle", bundle.toString(), "--changes", draft.toString(), "--as", "p-b", "--format", "json").out()).contains("\"ownLosses\":[\"Z\"]");
    assertThat(run("rehearse", "--bundle", bundle.toString(), "--changes", draft.toString(), "--as", "p-b", "--format", "text").out()).contains("would no longer govern Z [Z].");
    Ran nobody = run("rehearse", "--bundle", bundle.toString(), "--changes", draft.toString(), "--as", "p-none");
    assertThat(nobody.code()).isEqualTo(2);
    assertThat(nobody.err()).contains("There is no person [p-none]");
  }
}
