package palegate.core.mining;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.findings.Findings;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.random.RandomStructures;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/** Fewer entries that give exactly the same. */
class MiningTest {
  private static final AtomicInteger NEXT = new AtomicInteger();

  private static Mining.Found mined(Snapshot snapshot) {
    return Mining.of(snapshot, Harbour.NOW, () -> "mined-" + NEXT.incrementAndGet(), () -> false);
  }

  private static Snapshot with(Snapshot before, Grant... grants) {
    List<Change> changes = new ArrayList<>();
    List.of(grants).forEach(grant -> changes.add(new AccessChange.AddGrant(grant)));
    DraftApplication.Result result = DraftApplication.of(before, changes, Harbour.NOW);
    assertThat(result.refusals()).isEmpty();
    return before.next(result.difference());
  }

  private static Grant grant(String id, String place, Subject subject) {
    return new Grant(id, place, subject, "reader", Set.of(), Period.ALWAYS, null);
  }

  private static List<Proposal.Kind> kinds(Mining.Found found) {
    return found.proposals().stream().map(Proposal::kind).toList();
  }

  @Test
  void people_named_together_at_two_places_become_a_group() {
    Subject mia = new Subject.OfPerson("mia");
    Subject una = new Subject.OfPerson("una");
    Snapshot snapshot = with(Harbour.snapshot(), grant("a1", "c2", mia), grant("a2", "c2", una), grant("a3", "c2", new Subject.OfPerson("per")), grant("b1", "root", mia), grant("b2", "root", una), grant("b3", "root", new Subject.OfPerson("per")));
    Mining.Found found = mined(snapshot);
    assertThat(kinds(found)).contains(Proposal.Kind.NEW_GROUP);
    assertThat(found.after()).isLessThan(found.before());
  }

  @Test
  void what_is_given_again_further_down_is_taken_off() {
    Mining.Found found = mined(with(Harbour.snapshot(), grant("again", "c1", new Subject.OfPerson("ola"))));
    assertThat(kinds(found)).contains(Proposal.Kind.IDLE);
  }

  @Test
  void where_nothing_can_be_said_with_fewer_nothing_is_proposed() {
    Mining.Found once = mined(Harbour.snapshot());
    Snapshot snapshot = Harbour.snapshot();
    for (Proposal proposal : once.proposals()) {
      snapshot = snapshot.next(DraftApplication.of(snapshot, proposal.changes(), Harbour.NOW).difference());
    }
    assertThat(mined(snapshot).proposals()).isEmpty();
  }

  @Test
  void an_entry_for_a_type_of_which_there_is_no_document_yet_is_not_idle() {
    Grant later = new Grant("later", "c1", new Subject.OfPerson("mia"), "keeper", Set.of("letter"), Period.ALWAYS, null);
    Snapshot snapshot = with(Harbour.snapshot(), later);
    assertThat(snapshot.at(Harbour.NOW).rightsOnNew(snapshot.personNumber("mia"), snapshot.placeNumber("c1"), "letter").words()).contains("delete");
    assertThat(mined(snapshot).proposals()).noneMatch(proposal -> proposal.changes().contains(new AccessChange.RemoveGrant("c1", "later")));
    assertThat(Findings.of(snapshot, Harbour.NOW)).noneMatch(finding -> finding.key().contains("entry:later"));
  }

  @Test
  void it_can_be_called_off() {
    Mining.Found found = Mining.of(Harbour.snapshot(), Harbour.NOW, () -> "x", () -> true);
    assertThat(found.cut()).isTrue();
    assertThat(found.proposals()).isEmpty();
  }

  @Test
  void all_proposals_together_give_everybody_exactly_the_same_in_random_structures() {
    Map<Proposal.Kind, Integer> seen = new EnumMap<>(Proposal.Kind.class);
    int before = 0;
    int after = 0;
    for (long seed = 1; seed <= 150; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      Mining.Found found = Mining.of(snapshot, RandomStructures.NOW, () -> "mined-" + NEXT.incrementAndGet(), () -> false);
      found.proposals().forEach(proposal -> seen.merge(proposal.kind(), 1, Integer::sum));
      List<Change> all = found.proposals().stream().flatMap(proposal -> proposal.changes().stream()).toList();
      Rehearsal rehearsal = Rehearsal.of(snapshot, all, RandomStructures.NOW, null);
      assertThat(rehearsal.refusals()).as("seed %d", seed).isEmpty();
      assertThat(rehearsal.differences()).as("seed %d", seed).allMatch(RightsDifference::isEmpty);
      Snapshot mined = rehearsal.after();
      assertThat(mined.structure().entries().count()).as("seed %d", seed).isEqualTo(found.after());
      SnapshotAt one = snapshot.at(RandomStructures.NOW);
      SnapshotAt other = mined.at(RandomStructures.NOW);
      snapshot.structure().people().keySet().forEach(person -> snapshot.structure().places().keySet().forEach(place -> {
        Rights was = one.rights(snapshot.personNumber(person), snapshot.placeNumber(place));
        assertThat(other.rights(mined.personNumber(person), mined.placeNumber(place))).isEqualTo(was);
        if (snapshot.structure().places().get(place).kind().isContainer()) {
          snapshot.structure().types().keySet().forEach(type -> assertThat(other.rightsOnNew(mined.personNumber(person), mined.placeNumber(place), type)).as("a new document")
              .isEqualTo(one.rightsOnNew(snapshot.personNumber(person), snapshot.placeNumber(place), type)));
        }
      }));
      before += found.before();
      after += found.after();
    }
    assertThat(after).as("entries in all, %d before; %s", before, seen).isLessThan(before * 8 / 10);
  }
}
