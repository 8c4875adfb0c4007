package palegate.core.questions;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Trace;
import palegate.core.changes.AccessChange;
import palegate.core.changes.DraftApplication;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.testkit.Often;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** Section 6: what could be done with documents that are not there yet, asked person by person and container by container. */
class NewDocumentsTest {
  private static final long FIRST_SEED = 20_261_130L;
  private static final int STRUCTURES = Often.times(250);

  private static Snapshot without(Snapshot snapshot, Entry entry) {
    return snapshot.next(DraftApplication.of(snapshot, List.of(entry instanceof Grant ? new AccessChange.RemoveGrant(entry.place(), entry.id()) : new AccessChange.RemoveWithholding(entry.place(), entry.id())), RandomStructures.NOW).difference());
  }

  /** Every person, at every container there and below, for every type that there is. */
  private static boolean literally(SnapshotAt before, SnapshotAt after, String place) {
    Snapshot was = before.snapshot();
    Snapshot is = after.snapshot();
    return was.below(was.placeNumber(place)).filter(container -> !was.isDocument(container)).allMatch(container -> {
      int other = is.placeNumber(was.place(container).id());
      return is.structure().types().keySet().stream().allMatch(type -> was.structure().people().keySet().stream()
          .allMatch(person -> rights(before, person, container, type).equals(rights(after, person, other, type))));
    });
  }

  private static Rights rights(SnapshotAt moment, String person, int container, String type) {
    return moment.rightsOnNew(moment.snapshot().personNumber(person), container, type);
  }

  @Test
  void an_entry_that_does_nothing_to_what_is_there_and_to_new_documents_does_nothing_person_by_person() {
    int alike = 0;
    int different = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + STRUCTURES; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      SnapshotAt moment = snapshot.at(RandomStructures.NOW);
      for (Entry entry : snapshot.structure().entries().limit(12).toList()) {
        SnapshotAt after = without(snapshot, entry).at(RandomStructures.NOW);
        String because = "seed " + seed + ", " + entry.id();
        boolean quick = NewDocuments.alikeWithout(moment, entry);
        assertThat(quick).as(because).isEqualTo(NewDocuments.alike(moment, after, List.of(entry.place())));
        // Only narrowed types are asked about: for the others what holds of the containers says it all.
        boolean containersToo = quick && containersAlike(moment, after, entry.place());
        if (containersToo) {
          assertThat(literally(moment, after, entry.place())).as(because).isTrue();
        }
        if (!quick) {
          assertThat(literally(moment, after, entry.place())).as(because).isFalse();
        }
        alike += quick ? 1 : 0;
        different += quick ? 0 : 1;
      }
    }
    assertThat(alike).as("entries without which new documents are the same").isGreaterThan(Often.times(50));
    assertThat(different).as("and such without which they are not").isGreaterThan(Often.times(50));
  }

  private static boolean containersAlike(SnapshotAt before, SnapshotAt after, String place) {
    Snapshot was = before.snapshot();
    return was.below(was.placeNumber(place)).filter(one -> !was.isDocument(one)).allMatch(one -> before.holdersOnNew(one, null).sameAs(after.holdersOnNew(after.snapshot().placeNumber(was.place(one).id()), null)));
  }

  @Test
  void containers_share_a_number_only_if_new_documents_of_any_type_are_the_same_in_them() {
    int shared = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + STRUCTURES; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      for (Instant instant : List.of(RandomStructures.NOW, RandomStructures.NOW.plusSeconds(40 * 86_400L))) {
        SnapshotAt moment = snapshot.at(instant);
        List<Integer> firsts = new ArrayList<>();
        for (int container : snapshot.places().filter(place -> !snapshot.isDocument(place)).toArray()) {
          Integer like = firsts.stream().filter(first -> moment.environmentOf(first) == moment.environmentOf(container)).findFirst().orElse(null);
          if (like == null) {
            firsts.add(container);
            continue;
          }
          shared++;
          Stream.concat(Stream.of((String) null), snapshot.structure().types().keySet().stream())
              .forEach(type -> assertThat(moment.holdersOnNew(container, type).sameAs(moment.holdersOnNew(like, type))).as("seed %d: %s in %s and %s", FIRST_SEED, type, snapshot.place(container).id(), snapshot.place(like).id()).isTrue());
        }
      }
    }
    assertThat(shared).isGreaterThan(Often.times(100));
  }

  @Test
  void whoever_is_confined_to_documents_of_a_type_could_do_something_with_one_put_in_later_though_they_are_barred_from_the_container() {
    Grant grant = Harbour.grant("e-mia", "c2", new Subject.OfPerson("mia"), "keeper");
    Wall confine = new Wall("w", "Valuations only", "", Wall.State.STANDING, Period.ALWAYS, new Barrier.Confine(new Scope(Set.of(), Set.of("valuation"), Map.of()), List.of(new Subject.OfPerson("mia"))), List.of());
    Snapshot snapshot = Snapshot.of(Harbour.structure().withGrants(Map.of("e-mia", grant)).withWalls(Map.of("w", confine)));
    SnapshotAt moment = snapshot.at(Harbour.NOW);
    assertThat(moment.rights(snapshot.personNumber("mia"), snapshot.placeNumber("c2")).isEmpty()).as("the container lies outside").isTrue();
    assertThat(NewDocuments.alikeWithout(moment, grant)).isFalse();
    assertThat(NewDocuments.alike(moment, snapshot.next(DraftApplication.of(snapshot, List.of(new AccessChange.RemoveGrant("c2", "e-mia")), Harbour.NOW).difference()).at(Harbour.NOW), List.of("c2"))).isFalse();
  }

  /** Section 6, asked by the stages of one that has been put in, where the table asks by classes without putting anything in. */
  @Test
  void an_imagined_document_gives_everybody_what_the_table_of_new_documents_says_and_says_why() {
    int held = 0;
    int kept = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(120); seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      SnapshotAt moment = snapshot.at(RandomStructures.NOW);
      for (DocumentType type : snapshot.structure().types().values()) {
        for (int container : snapshot.places().filter(place -> snapshot.place(place).kind().isContainer()).limit(5).toArray()) {
          NewDocuments.Imagined asked = NewDocuments.in(snapshot, container, type);
          for (String person : snapshot.structure().people().keySet()) {
            Trace why = Explanation.of(asked.snapshot(), RandomStructures.NOW, asked.snapshot().personNumber(person), asked.place(), Explanation.WallReasons.SHOWN);
            assertThat(why.rights()).as("seed %d, %s, %s in %s", seed, person, type.id(), snapshot.place(container).id()).isEqualTo(rights(moment, person, container, type.id()));
            held += why.rights().isEmpty() ? 0 : 1;
            kept += why.withoutWalls() == null ? 0 : 1;
          }
        }
      }
    }
    assertThat(held).isGreaterThan(Often.times(200));
    assertThat(kept).as("some behind a wall").isGreaterThan(Often.times(20));
  }
}
