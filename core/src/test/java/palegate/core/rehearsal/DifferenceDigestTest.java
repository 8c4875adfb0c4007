package palegate.core.rehearsal;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.PlaceChange;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomLayouts;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;

/** What holds is what was seen (section 8): the digest is the same for the same difference, and another for another. */
class DifferenceDigestTest {
  private static final long FIRST_SEED = 4_000;
  private static final Instant NOW = RandomStructures.NOW;

  private static Set<String> pairs(RightsDifference difference) {
    return difference.pairs().map(pair -> pair.person().id() + " " + pair.place().id() + " +" + pair.gained() + " -" + pair.lost()).collect(Collectors.toSet());
  }

  @Test
  void is_the_same_however_people_places_and_classes_are_numbered() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(420); seed++) {
      Structure before = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(before);
      List<Change> changes = seed % 2 == 0 ? RandomDrafts.fromSeed(before, seed) : RandomLayouts.fromSeed(before, seed);
      Structure after = DraftApplication.of(snapshot, changes, NOW).structure();
      String derived = RightsDifference.between(snapshot, snapshot.next(after), NOW).digest();
      assertThat(RightsDifference.between(Snapshot.of(before), Snapshot.of(after), NOW).digest()).as("seed %d", seed).isEqualTo(derived);
    }
  }

  @Test
  void of_one_draft_is_not_mixed_up_with_that_of_another_that_gives_its_new_places_the_same_numbers() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 60; seed++) {
      Snapshot shared = Snapshot.of(RandomStructures.fromSeed(seed));
      for (int draft = 0; draft < 12; draft++) {
        List<Change> changes = new ArrayList<>(RandomLayouts.fromSeed(shared.structure(), seed + 1_000L * draft));
        String parent = shared.structure().repository().orElseThrow().id();
        changes.add(0, new PlaceChange.AddPlace(Place.plain("of-draft-" + draft, PlaceKind.LIBRARY, parent, "New", false, Map.of(), null, null, null)));
        Rehearsal beside = Rehearsal.of(shared, changes, NOW, null);
        Rehearsal alone = Rehearsal.of(Snapshot.of(shared.structure()), changes, NOW, null);
        assertThat(beside.digest()).as("seed %d, draft %d", seed, draft).isEqualTo(alone.digest());
        // Put in force, it is what the drafts after it begin with.
        shared = draft % 4 == 3 ? beside.after().detached() : shared;
      }
    }
  }

  @Test
  void two_differences_have_one_digest_if_and_only_if_their_lists_are_the_same() {
    Map<String, Set<String>> byDigest = new HashMap<>();
    Map<Set<String>, String> byList = new HashMap<>();
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(1_500); seed++) {
      RightsDifference difference = RightsDifference.between(Snapshot.of(RandomStructures.fromSeed(seed)), Snapshot.of(RandomStructures.fromSeed(seed + 1)), NOW);
      Set<String> list = pairs(difference);
      assertThat(byDigest.computeIfAbsent(difference.digest(), any -> list)).as("seed %d", seed).isEqualTo(list);
      assertThat(byList.computeIfAbsent(list, any -> difference.digest())).as("seed %d", seed).isEqualTo(difference.digest());
    }
    assertThat(byDigest).as("random structures differ in many ways").hasSizeGreaterThan(Often.times(1_000));
  }

  @Test
  void of_a_rehearsal_is_another_if_a_colleague_adds_somebody_to_a_group_that_the_draft_gives_access() {
    Snapshot seen = Harbour.snapshot();
    Grant grant = new Grant("n1", "c1", new Subject.OfGroup("divers"), "reader", Set.of(), Period.ALWAYS, null);
    List<Change> draft = List.of(new AccessChange.AddGrant(grant));
    Change meanwhile = new MembershipChange.AddMember("divers", new Membership(new Membership.PersonMember("per"), Period.ALWAYS));
    Snapshot now = seen.next(DraftApplication.of(seen, List.of(meanwhile), Harbour.NOW).structure());
    assertThat(Rehearsal.of(now, draft, Harbour.NOW, null).digest()).isNotEqualTo(Rehearsal.of(seen, draft, Harbour.NOW, null).digest());
  }

  @Test
  void of_a_rehearsal_counts_what_comes_later_by_its_instant() {
    Snapshot seen = Harbour.snapshot();
    Instant later = Harbour.NOW.plus(Duration.ofDays(3));
    List<Change> soon = List.of(grantFrom(later));
    List<Change> later2 = List.of(grantFrom(later.plusSeconds(1)));
    assertThat(Rehearsal.of(seen, soon, Harbour.NOW, null).digest()).isNotEqualTo(Rehearsal.of(seen, later2, Harbour.NOW, null).digest());
    assertThat(Rehearsal.of(seen, soon, Harbour.NOW, null).digest()).as("nothing has begun meanwhile")
        .isEqualTo(Rehearsal.of(seen, soon, Harbour.NOW.plusSeconds(60), null).digest());
    assertThat(Rehearsal.of(seen, soon, later, null).digest()).as("what was to come has begun").isNotEqualTo(Rehearsal.of(seen, soon, Harbour.NOW, null).digest());
  }

  private static Change grantFrom(Instant from) {
    return new AccessChange.AddGrant(new Grant("n1", "c1", new Subject.OfGroup("divers"), "reader", Set.of(), new Period(from, null), null));
  }
}
