package palegate.server.drafts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import palegate.core.access.Grant;
import palegate.core.drafts.Change;
import palegate.core.duties.Duty;
import palegate.core.places.Conditions;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;
import tools.jackson.databind.json.JsonMapper;

class ChangeBodyTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final ChangeBody.SubjectRef MIA = new ChangeBody.SubjectRef("person", "p-mia");

  @Test
  void every_kind_of_change_is_kept_as_json_read_back_the_same_and_told_by_the_core_in_the_same_words() {
    Instant day = Instant.parse("2026-12-01T00:00:00Z");
    List<ChangeBody> all = List.of(
        new ChangeBody.AddGrant("e-1", "f", MIA, "r", List.of("fee"), null, day, "why"),
        new ChangeBody.RemoveGrant("e-1", "f"),
        new ChangeBody.AddWithholding("e-2", "f", MIA, List.of("copy"), List.of(), day, null, null),
        new ChangeBody.RemoveWithholding("e-2", "f"),
        new ChangeBody.BreakPlace("e-3", "f", Change.Start.EMPTY, List.of(new ChangeBody.Keeper(MIA, "r"))),
        new ChangeBody.RejoinPlace("f", true, List.of("e-1")),
        new ApprovalBody.SetApproval("ap", "Rule", List.of("addGrant"), List.of(Duty.ACCESS), true, List.of("f"), Duty.WALLS),
        new ApprovalBody.RemoveApproval("ap"),
        new GuardBody.SetGuards("f", "r", true, false),
        new GuardBody.Release("d", Conditions.Condition.FROZEN),
        new GuardBody.AddOversight("o", "f", MIA, null, day, "why"),
        new GuardBody.RemoveOversight("o", "f"),
        new GuardBody.PutUnder("d", Conditions.Condition.CHECKED_OUT, "p", day),
        new GuardBody.AddException("w", MIA, day),
        new GuardBody.RemoveException("w", MIA, day),
        new WallBody.SetWall("w", "Wall", "why", Wall.State.PLANNED, day, null, "sides", List.of(
            new WallBody.WallSide("Buyer", List.of(MIA), List.of("f"), List.of(), Map.of()),
            new WallBody.WallSide("Seller", List.of(MIA), List.of(), List.of("t"), Map.of("case", List.of("C-1", "C-2")))),
            List.of(new WallBody.WallExemption(MIA, day))),
        new WallBody.RemoveWall("w"),
        new PeopleBody.SetPerson("p", "Pia", "pia", "pia@sallowpoint.example", false, true, "u"),
        new PeopleBody.SetUnit("u", "Unit", null),
        new PeopleBody.RemoveUnit("u"),
        new PeopleBody.SetGroup("g", "Group", "why"),
        new PeopleBody.RemoveGroup("g"),
        new PeopleBody.AddMember("g", "person", "p", null, day),
        new PeopleBody.RemoveMember("g", "group", "h", day, null),
        new RoleBody.SetRole("r", "Role", List.of("find", "read")),
        new RoleBody.RemoveRole("r"),
        new TypeBody.SetType("t", "Type", "T", true, List.of("lib"), List.of(new TypeBody.TypeField("k", "Key", DocumentType.Kind.CHOICE, List.of("a"), true, 12, true, "help"))),
        new TypeBody.RemoveType("t"),
        new TypeBody.AddClearance("t", MIA, "r", null, day),
        new TypeBody.RemoveClearance("t", MIA, "r", null, day),
        new LayoutBody.AddPlace("d", "document", "f", "Doc", Map.of("case", "C-1"), "t", "p", null, null),
        new LayoutBody.RenamePlace("f", "Other"),
        new LayoutBody.MovePlace("f", "g"),
        new LayoutBody.SetDocument("d", "t", null),
        new LayoutBody.SetLabels("f", Map.of("case", "C-1")),
        new LayoutBody.RemovePlace("d"));
    assertThat(all.stream().map(Object::getClass).distinct().count()).isEqualTo(kinds(ChangeBody.class));
    for (ChangeBody change : all) {
      assertThat(JSON.readValue(JSON.writerFor(ChangeBody.class).writeValueAsString(change), ChangeBody.class)).isEqualTo(change);
      assertThat(BodyOf.change(change.toCore())).isEqualTo(change);
      assertThat(change.withEntry()).isSameAs(change);
    }
  }

  private static long kinds(Class<?> sealed) {
    return Arrays.stream(sealed.getPermittedSubclasses()).mapToLong(kind -> kind.isInterface() ? kinds(kind) : 1).sum();
  }

  @Test
  void what_a_change_makes_gets_an_id_that_tells_its_kind_and_sorts_by_when() {
    PeopleBody.SetGroup made = (PeopleBody.SetGroup) new PeopleBody.SetGroup(null, "Équipe du Port", null).withEntry();
    assertThat(made.group()).matches("g-[0-9a-f]{8}-[0-9a-f]{4}-7[0-9a-f]{3}-[0-9a-f]{4}-[0-9a-f]{12}");
    assertThat(((LayoutBody.AddPlace) new LayoutBody.AddPlace(null, "folder", "f", "…", null, null, null, null, null).withEntry()).place()).matches("f-[0-9a-f-]{36}");
  }

  @Test
  void an_entry_gets_an_id_once_and_keeps_it() {
    ChangeBody named = new ChangeBody.AddGrant(null, "f", MIA, "r", null, null, null, null).withEntry();
    assertThat(((ChangeBody.AddGrant) named).entry()).matches("[A-Za-z0-9._:-]{1,64}");
    assertThat(named.withEntry()).isSameAs(named);
  }

  @Test
  void the_keepers_of_a_break_become_grants_at_the_place() {
    Change.Break broken = (Change.Break) new ChangeBody.BreakPlace("e-3", "f", Change.Start.EMPTY,
        List.of(new ChangeBody.Keeper(MIA, "r-keeper"))).toCore();
    assertThat(broken.keepers()).singleElement().satisfies(grant -> {
      assertThat(grant.place()).isEqualTo("f");
      assertThat(grant.role()).isEqualTo("r-keeper");
    });
  }

  @Test
  void an_end_before_the_beginning_is_refused_by_value() {
    ChangeBody wrong = new ChangeBody.AddGrant("e", "f", MIA, "r", null, Instant.parse("2026-12-02T00:00:00Z"), Instant.parse("2026-12-01T00:00:00Z"), null);
    assertThatThrownBy(wrong::toCore).hasMessageContaining("2026-12-01T00:00:00Z");
  }

  @Test
  void instants_are_cut_to_what_the_database_keeps() {
    Change.AddGrant change = (Change.AddGrant) new ChangeBody.AddGrant("e", "f", MIA, "r", null,
        Instant.parse("2026-12-01T00:00:00.123456789Z"), null, null).toCore();
    Grant grant = change.grant();
    assertThat(grant.period().from()).isEqualTo(Instant.parse("2026-12-01T00:00:00.123456Z"));
  }
}
