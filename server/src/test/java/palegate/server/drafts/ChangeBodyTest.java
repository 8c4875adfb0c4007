package palegate.server.drafts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Instant;
import java.util.List;
import org.junit.jupiter.api.Test;
import palegate.core.access.Grant;
import palegate.core.drafts.Change;
import tools.jackson.databind.json.JsonMapper;

class ChangeBodyTest {
  private static final JsonMapper JSON = JsonMapper.builder().build();
  private static final ChangeBody.SubjectRef MIA = new ChangeBody.SubjectRef("person", "p-mia");

  @Test
  void every_kind_of_change_is_kept_as_json_and_read_back_the_same() {
    Instant day = Instant.parse("2026-12-01T00:00:00Z");
    List<ChangeBody> all = List.of(
        new ChangeBody.AddGrant("e-1", "f", MIA, "r", List.of("fee"), null, day, "why"),
        new ChangeBody.RemoveGrant("e-1", "f"),
        new ChangeBody.AddWithholding("e-2", "f", MIA, List.of("copy"), null, day, null, null),
        new ChangeBody.RemoveWithholding("e-2", "f"),
        new ChangeBody.BreakPlace("e-3", "f", Change.Start.EMPTY, List.of(new ChangeBody.Keeper(MIA, "r"))),
        new ChangeBody.RejoinPlace("f", true));
    assertThat(ChangeBody.class.getPermittedSubclasses()).hasSize(all.size());
    for (ChangeBody change : all) {
      assertThat(JSON.readValue(JSON.writeValueAsString(change), ChangeBody.class)).isEqualTo(change);
      assertThat(change.toCore().place()).isEqualTo("f");
    }
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
