package palegate.core.changes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import palegate.core.bundle.Fault;
import palegate.core.bundle.InvalidBundle;
import palegate.core.people.Subject;
import palegate.core.walls.Barrier;
import tools.jackson.databind.json.JsonMapper;

/** Changes are read with all their faults at once, each with its place; the same whoever sends them. */
class ChangeJsonTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  private final List<Fault> faults = new ArrayList<>();

  private Change read(String text) {
    return ChangeJson.read(JSON.readTree(text.replace('\'', '"')), "", letters -> letters + "-new", faults);
  }

  @Test
  void all_faults_come_at_once_each_with_its_place() {
    assertThat(read("{'kind': 'addGrant', 'entry': 'no good', 'subject': {'kind': 'robot'}, 'until': 'soon', 'note': 7, 'typo': true}")).isNull();
    assertThat(faults).extracting(Fault::pointer).containsExactlyInAnyOrder("/typo", "/entry", "/place", "/subject/kind", "/subject/id", "/role", "/until", "/note");
    assertThat(faults).allSatisfy(fault -> assertThat(fault.remedy()).isNotBlank());
  }

  @Test
  void an_unknown_kind_and_what_is_no_change_at_all_are_said() {
    read("{'kind': 'addGrants'}");
    read("{}");
    read("[]");
    assertThat(faults).extracting(Fault::what).containsExactly("There is no kind of change [addGrants].", "[kind] is missing.", "A change is an object.");
  }

  @Test
  void what_a_change_makes_gets_an_id_that_tells_its_kind() {
    assertThat(read("{'kind': 'setGroup', 'name': ' Équipe du Port '}")).isEqualTo(new PeopleChange.SetGroup("g-new", "Équipe du Port", null));
    assertThat(((PlaceChange.AddPlace) read("{'kind': 'addPlace', 'placeKind': 'library', 'parent': 'root', 'name': 'L'}")).place()).isEqualTo("l-new");
    assertThat(read("{'kind': 'setGroup', 'group': 'g-1', 'name': 'G', 'description': null}")).isEqualTo(new PeopleChange.SetGroup("g-1", "G", null));
    assertThat(ChangeJson.anew(new PeopleChange.SetGroup("g-1", "G", null), letters -> letters + "-2").thing()).isEqualTo("group:g-2");
    assertThat(faults).isEmpty();
  }

  @Test
  void an_end_before_the_beginning_is_refused_by_value() {
    read("{'kind': 'addMember', 'group': 'g', 'memberKind': 'person', 'member': 'p', 'from': '2026-12-02T00:00:00Z', 'until': '2026-12-01T00:00:00Z'}");
    assertThat(faults).singleElement().satisfies(fault -> assertThat(fault.what()).contains("2026-12-01T00:00:00Z"));
  }

  @Test
  void instants_are_cut_to_what_the_database_keeps() {
    AccessChange.AddGrant add = (AccessChange.AddGrant) read(
        "{'kind': 'addGrant', 'place': 'f', 'subject': {'kind': 'builtin', 'id': 'staff'}, 'role': 'r', 'from': '2026-12-01T00:00:00.123456789Z'}");
    assertThat(add.grant().subject()).isEqualTo(Subject.BuiltIn.STAFF);
    assertThat(add.grant().period().from()).isEqualTo(Instant.parse("2026-12-01T00:00:00.123456Z"));
  }

  @Test
  void a_value_that_the_database_could_not_keep_is_refused_in_the_words_of_a_bundle() {
    read("{'kind': 'setLabels', 'place': 'f', 'labels': {'case': 'C\\u200B-1', 'gone': '', ' padded ': ' kept '}}");
    assertThat(faults).singleElement().satisfies(fault -> {
      assertThat(fault.pointer()).isEqualTo("/labels");
      assertThat(fault.what()).contains("holds signs that nobody sees");
    });
    faults.clear();
    assertThat(((PlaceChange.SetLabels) read("{'kind': 'setLabels', 'place': 'f', 'labels': {'gone': '', ' padded ': ' kept '}}")).labels())
        .containsOnly(Map.entry("padded", "kept"));
  }

  @Test
  void nothing_is_never_read_as_everything() {
    read("{'kind': 'setWall', 'name': 'W', 'state': 'STANDING', 'barrier': 'screen', 'sides': [{'subjects': [{'kind': 'person', 'id': 'mia'}]}]}");
    assertThat(faults).singleElement().satisfies(fault -> {
      assertThat(fault.pointer()).isEqualTo("/sides/0");
      assertThat(fault.what()).contains("nothing is never read as everything");
    });
  }

  @Test
  void only_a_wall_of_sides_has_several() {
    String side = "{'subjects': [{'kind': 'person', 'id': 'mia'}], 'places': ['f']}";
    read("{'kind': 'setWall', 'name': 'W', 'state': 'STANDING', 'barrier': 'seal', 'sides': [" + side + ", " + side + "]}");
    assertThat(faults).singleElement().satisfies(fault -> assertThat(fault.what()).contains("[2] sides"));
    faults.clear();
    WallChange.SetWall one = (WallChange.SetWall) read("{'kind': 'setWall', 'name': 'W', 'state': 'STANDING', 'barrier': 'seal', 'sides': [" + side + "]}");
    assertThat(one.changed().barrier()).isInstanceOf(Barrier.Seal.class);
  }

  @Test
  void a_file_of_changes_says_everything_that_is_wrong_with_it() {
    String file = "{\"format\": \"pale-gate-bundle\", \"version\": 2, \"extra\": 1, \"changes\": [{\"kind\": \"removeGrant\"}, {\"kind\": \"what\"}]}";
    assertThatThrownBy(() -> ChangesFile.read(file.getBytes(StandardCharsets.UTF_8), letters -> letters)).isInstanceOfSatisfying(InvalidBundle.class,
        invalid -> assertThat(invalid.faults()).extracting(Fault::pointer)
            .containsExactly("/changes/0/entry", "/changes/0/place", "/changes/1/kind", "/extra", "/format", "/version"));
    for (String broken : List.of("", "[]", "{", "\u0000", "[".repeat(100_000))) {
      assertThatThrownBy(() -> ChangesFile.read(broken.getBytes(StandardCharsets.UTF_8), letters -> letters)).isInstanceOf(InvalidBundle.class);
    }
  }
}
