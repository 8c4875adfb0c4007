package palegate.core.changes;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;
import palegate.core.types.DocumentType.Field;
import palegate.core.types.DocumentType.Kind;

/** Section 2: a field holds what its kind says, a required one is filled in, and a choice is one of those there are. */
class FieldsOfDocumentsTest {
  private static final Field AMOUNT = new Field("amount", "Amount", Kind.MONEY, List.of(), false);
  private static final Field SENT = new Field("sent", "Sent", Kind.DATE, List.of(), true);
  private static final Field HULL = new Field("hull", "Hull", Kind.CHOICE, List.of("Steel", "Wood"), false);
  private static final Field BY = new Field("by", "By", Kind.PERSON, List.of(), false);
  private static final DocumentType SURVEY = DocumentType.open("survey", "Survey", List.of(AMOUNT, SENT, HULL, BY));

  private static Place document(String id, String type, Map<String, String> labels) {
    return Place.plain(id, PlaceKind.DOCUMENT, "c1", id, false, labels, type, null, null);
  }

  private static final Structure BASE = Harbour.structure().withTypes(Map.of("survey", SURVEY))
      .withPlaces(Map.of("old", document("old", "survey", Map.of("amount", "abc")), "good", document("good", "survey", Map.of("sent", "2026-05-01"))));

  private static List<String> faults(Change... changes) {
    return DraftApplication.of(Snapshot.of(BASE), List.of(changes), Harbour.NOW).refusals().stream().map(Refusal::what).toList();
  }

  private static Change labels(String place, Map<String, String> labels) {
    return new PlaceChange.SetLabels(place, labels);
  }

  @Test
  void a_new_document_is_refused_for_all_its_faults_at_once() {
    assertThat(faults(new PlaceChange.AddPlace(document("new", "survey", Map.of("amount", "abc", "hull", "Paper", "by", "nobody")))))
        .containsExactlyInAnyOrder("[new]: [abc] is not what [Amount] holds.", "[new]: [Paper] is not what [Hull] holds.", "[new]: [nobody] is not what [By] holds.",
            "[new]: [Sent] is required, and nothing stands there.");
    assertThat(faults(new PlaceChange.AddPlace(document("new", "survey", Map.of("amount", "12.5 EUR", "hull", "Steel", "sent", "2026-02-28", "by", "mia"))))).isEmpty();
  }

  @Test
  void what_was_wrong_before_keeps_nobody_from_mending_something_else() {
    assertThat(faults(labels("old", Map.of("amount", "abc", "hull", "Wood")))).isEmpty();
    assertThat(faults(new PlaceChange.RenamePlace("old", "Another name"))).isEmpty();
    assertThat(faults(labels("old", Map.of("amount", "abd")))).containsExactly("[old]: [abd] is not what [Amount] holds.");
  }

  @Test
  void however_it_was_written_a_value_is_kept_in_one_form() {
    Structure after = DraftApplication.of(Snapshot.of(BASE), List.of(labels("good", Map.of("sent", "2 May 2026", "amount", "1,000 EUR", "hull", "steel", "by", "mia"))), Harbour.NOW).structure();
    assertThat(after.places().get("good").labels()).isEqualTo(Map.of("sent", "2026-05-02", "amount", "1000 EUR", "hull", "Steel", "by", "mia"));
  }

  @Test
  void a_required_field_is_not_emptied() {
    assertThat(faults(labels("good", Map.of()))).containsExactly("[good]: [Sent] is required, and nothing stands there.");
    assertThat(faults(labels("good", Map.of("sent", " ")))).isNotEmpty();
  }

  @Test
  void a_type_and_its_fields_come_in_any_order() {
    Change type = new PlaceChange.SetDocument("val1", "survey", null);
    Change fields = labels("val1", Map.of("sent", "2026-05-02"));
    assertThat(faults(type, fields)).isEmpty();
    assertThat(faults(fields, type)).isEmpty();
    assertThat(faults(type)).containsExactly("[VAL1]: [Sent] is required, and nothing stands there.");
    assertThat(faults(labels("val1", Map.of("sent", "soon")), type)).containsExactly("[VAL1]: [soon] is not what [Sent] holds.");
  }

  @Test
  void whom_a_name_means_is_never_guessed_and_who_is_there_is_asked_only_of_what_the_author_knows() {
    List<Refusal> refused = DraftApplication.of(Snapshot.of(BASE), List.of(labels("good", Map.of("sent", "2026-05-02", "by", "Mia"))), Harbour.NOW).refusals();
    assertThat(refused).singleElement().satisfies(refusal -> assertThat(refusal.amongKnown()).as("the whole, where there may be such a person, does not refuse it").isTrue());
    assertThat(DraftApplication.of(Snapshot.of(BASE), List.of(labels("good", Map.of())), Harbour.NOW).refusals()).noneMatch(Refusal::amongKnown);
  }

  @Test
  void a_changed_type_refuses_no_document_that_is_there_and_stays_as_it_is() {
    DocumentType stricter = DocumentType.open("survey", "Survey", List.of(new Field("amount", "Amount", Kind.DATE, List.of(), true), SENT));
    assertThat(faults(new TypeChange.SetType(stricter))).isEmpty();
    assertThat(faults(new TypeChange.SetType(stricter), labels("good", Map.of("sent", "2026-05-03")))).isEmpty();
  }
}
