package palegate.core.changes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import com.networknt.schema.InputFormat;
import com.networknt.schema.Schema;
import com.networknt.schema.SchemaRegistry;
import com.networknt.schema.SpecificationVersion;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import palegate.core.Harbour;
import palegate.core.bundle.Fault;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.reversal.Reversal;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import tools.jackson.databind.json.JsonMapper;

/** Whatever holds of one kind of change holds of every kind (section 8). */
class EveryKindTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();

  static Stream<Change> changes() {
    return OfEveryKind.changes().stream();
  }

  @Test
  void every_record_is_one_kind_and_every_kind_one_record() {
    assertThat(changes().map(Change::kind)).containsExactlyInAnyOrder(ChangeKind.values());
    assertThat(changes().map(Object::getClass).distinct().count()).isEqualTo(records(Change.class)).isEqualTo(ChangeKind.values().length);
    assertThat(Stream.of(ChangeKind.values()).map(ChangeKind::word).distinct()).hasSize(ChangeKind.values().length);
  }

  private static long records(Class<?> sealed) {
    return Arrays.stream(sealed.getPermittedSubclasses()).mapToLong(kind -> kind.isInterface() ? records(kind) : 1).sum();
  }

  @ParameterizedTest
  @MethodSource("changes")
  void what_is_written_is_read_back_the_same_by_every_way_in(Change change) throws Exception {
    List<Fault> faults = new ArrayList<>();
    assertThat(ChangeJson.read(JSON.readTree(ChangeJson.write(change).toString()), "", letters -> letters, faults)).as("%s", faults).isEqualTo(change);
    assertThat(ChangeJson.readKept(ChangeJson.write(change))).isEqualTo(change);
    assertThat(ChangesFile.read(ChangesFile.write(List.of(change)).getBytes(StandardCharsets.UTF_8), letters -> letters)).containsExactly(change);
  }

  @ParameterizedTest
  @MethodSource("changes")
  void it_touches_what_it_says_and_can_be_undone(Change change) {
    Structure before = OfEveryKind.structure();
    DraftApplication.Result made = DraftApplication.of(Snapshot.of(before), List.of(change), Harbour.NOW);
    assertThat(made.refusals()).isEmpty();
    assertThat(made.difference().things()).contains(change.thing());
    Snapshot after = Snapshot.of(made.structure());
    Reversal back = Reversal.of(made.difference(), after, Harbour.NOW);
    Structure undone = DraftApplication.of(after, back.changes(), Harbour.NOW).structure();
    StructureDifference left = StructureDifference.between(before, undone);
    // Nobody is ever erased: whoever came with the change stays, inactive.
    assertThat(left.things().stream().filter(thing -> !thing.startsWith("group:"))).isSubsetOf("person:pia");
    assertThat(undone.groups().keySet()).isEqualTo(before.groups().keySet());
    // Members have no order.
    before.groups().values().forEach(group -> {
      assertThat(undone.groups().get(group.id()).with(List.of())).isEqualTo(group.with(List.of()));
      assertThat(undone.groups().get(group.id()).members()).containsExactlyInAnyOrderElementsOf(group.members());
    });
    assertThat(back.left()).isEmpty();
  }

  @ParameterizedTest
  @MethodSource("changes")
  void it_reads_as_a_sentence_without_an_id(Change change) {
    Structure before = OfEveryKind.structure();
    String words = change.words(new Wording(before, DraftApplication.of(Snapshot.of(before), List.of(change), Harbour.NOW).structure()));
    assertThat(words).matches("[A-Z].*[^.]").doesNotContainPattern("\\b(e|o|w|ap|u)-\\w+");
  }

  @ParameterizedTest
  @MethodSource("changes")
  void the_published_schema_takes_it_and_nothing_more(Change change) {
    Schema schema = SchemaRegistry.withDefaultDialect(SpecificationVersion.DRAFT_2020_12).getSchema(ChangesFile.schema());
    String written = ChangesFile.write(List.of(change));
    assertThat(schema.validate(written, InputFormat.JSON)).isEmpty();
    assertThat(schema.validate(written.replaceFirst("\"kind\"", "\"typo\" : 1, \"kind\""), InputFormat.JSON)).isNotEmpty();
  }

  @Test
  void the_schema_in_the_documentation_is_the_one_that_is_read_by() throws Exception {
    Path published = Path.of("../docs/changes.schema.json");
    if (System.getenv("PALEGATE_WRITE_SCHEMA") != null) {
      Files.writeString(published, ChangesFile.schema());
    }
    assertThat(Files.readString(published)).as("set PALEGATE_WRITE_SCHEMA after a kind of change has become another").isEqualTo(ChangesFile.schema());
  }

  @Test
  void drafts_and_the_journal_of_an_earlier_version_are_read_as_they_were_meant() throws Exception {
    byte[] kept = getClass().getResourceAsStream("changes-of-version-1.json").readAllBytes();
    List<Change> read = new ArrayList<>();
    JSON.readTree(kept).forEach(change -> read.add(ChangeJson.readKept(change)));
    assertThat(read).as("duties, and what sections 11 to 13 add, came later").containsExactlyElementsOf(OfEveryKind.changes().stream().filter(change -> !(change instanceof DutyChange || change instanceof ShareChange || change instanceof PassChange || change instanceof ShortlistChange || change instanceof SeparationChange)).toList());
    assertThat(ChangeJson.readKept(JSON.readTree("{\"kind\": \"addMember\", \"group\": \"g\", \"member\": \"h\"}")))
        .as("a kind of member could be left out").isEqualTo(new MembershipChange.AddMember("g", new Membership(new Membership.GroupMember("h"), Period.ALWAYS)));
    assertThatThrownBy(() -> ChangeJson.readKept(JSON.readTree("{\"kind\": \"addGrant\"}"))).isInstanceOf(IllegalArgumentException.class);
  }
}
