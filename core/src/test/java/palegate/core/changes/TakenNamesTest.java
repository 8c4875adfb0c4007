package palegate.core.changes;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.snapshot.Snapshot;

/** Two groups, or two libraries, of one name cannot be told apart; what somebody does not know never keeps a name from them. */
class TakenNamesTest {
  private static DraftApplication.Result made(Change... changes) {
    return DraftApplication.of(Snapshot.of(Harbour.structure()), List.of(changes), Harbour.NOW);
  }

  private static Change group(String id, String name) {
    return new PeopleChange.SetGroup(id, name, null);
  }

  private static Change library(String id, String name) {
    return new PlaceChange.AddPlace(Place.plain(id, PlaceKind.LIBRARY, "root", name, false, Map.of(), null, null, null));
  }

  @Test
  void a_taken_name_is_refused_however_it_is_written_and_in_whatever_order() {
    assertThat(made(group("new", " divers ")).refusals()).singleElement().satisfies(refusal -> assertThat(refusal.what()).isEqualTo("There is a group called [ divers ] already."));
    assertThat(made(group("one", "Ice"), group("other", "ICE")).refusals()).extracting(Refusal::change).containsExactly(1);
    assertThat(made(library("lib", "CAS")).refusals()).hasSize(1);
    assertThat(made(library("one", "Ice"), library("other", "Ice")).refusals()).hasSize(1);
    assertThat(made(library("one", "Ice"), new PlaceChange.RenamePlace("one", "Cas")).refusals()).hasSize(1);
  }

  @Test
  void a_name_that_is_given_up_is_free_and_ones_own_is_ones_own() {
    assertThat(made(group("divers", "Frogmen"), group("new", "Divers")).refusals()).isEmpty();
    assertThat(made(new PeopleChange.RemoveGroup("divers"), group("new", "Divers")).refusals()).isEmpty();
    assertThat(made(group("divers", "Divers"), group("divers", "DIVERS")).refusals()).isEmpty();
    assertThat(made(new PlaceChange.RenamePlace("cas", "CASUALTIES")).refusals()).isEmpty();
  }

  @Test
  void it_is_made_all_the_same_and_is_in_nobodys_way_who_does_not_know_the_other() {
    DraftApplication.Result made = made(group("new", "Divers"), library("lib", "Cas"));
    assertThat(made.structure().groups()).containsKey("new");
    assertThat(made.structure().places()).containsKey("lib");
    assertThat(made.refusals()).hasSize(2).allMatch(Refusal::amongKnown);
  }
}
