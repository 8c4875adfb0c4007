package palegate.core.rounds;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomStructures;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;

/**
 * What a round asks and does, on structures full of edge cases: everything that counts is asked about once, nobody is asked about themselves
 * or past a wall, and a decision that is carried out is so afterwards and not before, whatever else has changed meanwhile.
 */
class ReviewsAgreeWithLiteralRulesTest {
  private static final long FIRST_SEED = 20_261_129L;
  private static final ReviewScope ALL = new ReviewScope(Set.of(ItemKind.values()), null, Set.of(), false);
  /** What stands written: what people have by it has a test of its own. */
  private static final ReviewScope WRITTEN = new ReviewScope(EnumSet.complementOf(EnumSet.of(ItemKind.ACCESS)), null, Set.of(), false);

  @Test
  void every_entry_membership_and_appointment_that_has_not_ended_is_asked_about_just_once() {
    int items = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(400); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      SnapshotAt moment = Snapshot.of(structure).at(RandomStructures.NOW);
      List<ReviewItem> found = ReviewItems.of(moment, ALL);
      assertThat(found).extracting(ReviewItem::key).as("seed %d", seed).doesNotHaveDuplicates();
      long grants = structure.grants().values().stream().filter(grant -> !grant.period().endedBy(RandomStructures.NOW)).count();
      long memberships = structure.groups().values().stream().flatMap(group -> group.members().stream()).filter((Membership one) -> !one.period().endedBy(RandomStructures.NOW)).count();
      long oversights = structure.oversights().values().stream().filter(one -> !one.period().endedBy(RandomStructures.NOW)).count();
      assertThat(found.stream().filter(item -> item.kind() == ItemKind.GRANT).count()).as("seed %d", seed).isEqualTo(grants);
      assertThat(found.stream().filter(item -> item.kind() == ItemKind.MEMBERSHIP).count()).as("seed %d", seed).isEqualTo(memberships);
      assertThat(found.stream().filter(item -> item.kind() == ItemKind.OVERSIGHT).count()).as("seed %d", seed).isEqualTo(oversights);
      long passes = structure.passes().values().stream().filter(one -> !one.period().endedBy(RandomStructures.NOW)).count();
      assertThat(found.stream().filter(item -> item.kind() == ItemKind.PASS).count()).as("seed %d", seed).isEqualTo(passes);
      assertThat(ReviewItems.of(moment, new ReviewScope(ALL.kinds(), null, Set.of(), true))).as("seed %d", seed).isEqualTo(found.stream().filter(item -> item.outsiders() > 0).toList());
      assertThat(ReviewItems.inReadingOrder(found, Set.of())).containsExactlyInAnyOrderElementsOf(found);
      items += found.size();
    }
    assertThat(items).isGreaterThan(2_000);
  }

  @Test
  void nobody_is_asked_about_their_own_access_nor_about_what_a_wall_bars_them_from_nor_are_the_inactive() {
    int asked = 0;
    int nobody = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(400); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(structure);
      SnapshotAt moment = snapshot.at(RandomStructures.NOW);
      List<String> people = List.copyOf(structure.people().keySet());
      if (people.isEmpty()) {
        continue;
      }
      Random random = new Random(seed);
      List<ReviewItem> items = ReviewItems.of(moment, ALL);
      Map<String, String> assigned = Reviewers.assign(moment, items, random.nextBoolean() ? Reviewers.Rule.KEEPER : Reviewers.Rule.NAMED, people.get(random.nextInt(people.size())), people.get(random.nextInt(people.size())));
      assertThat(assigned.keySet()).hasSize(items.size());
      for (ReviewItem item : items) {
        String reviewer = assigned.get(item.key());
        if (reviewer == null) {
          nobody++;
          continue;
        }
        asked++;
        Person person = structure.people().get(reviewer);
        int number = snapshot.personNumber(reviewer);
        assertThat(person.active()).as("seed %d, %s", seed, item).isTrue();
        assertThat(moment.matches(number, item.subject())).as("seed %d, %s by %s", seed, item, reviewer).isFalse();
        if (item.place() != null) {
          assertThat(moment.walls().barring(number, snapshot.placeNumber(item.place()))).as("seed %d, %s by %s", seed, item, reviewer).isEmpty();
        }
      }
    }
    assertThat(asked).isGreaterThan(500);
    assertThat(nobody).isGreaterThan(100);
  }

  @Test
  void a_decision_is_carried_out_after_its_changes_and_not_before_and_its_effect_is_what_the_rehearsal_counts() {
    int carried = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(150); seed++) {
      Snapshot asked = Snapshot.of(RandomStructures.fromSeed(seed));
      List<ReviewItem> items = ReviewItems.of(asked.at(RandomStructures.NOW), WRITTEN);
      // Something else is put in force between the question and the answer.
      Snapshot before = asked.next(DraftApplication.of(asked, RandomDrafts.fromSeed(asked.structure(), seed), RandomStructures.NOW).structure());
      SnapshotAt moment = before.at(RandomStructures.NOW);
      StandingItems standing = StandingItems.in(moment, moment.instant());
      for (ReviewItem item : items) {
        List<Change> removal = DecidedChange.removing(moment, item, prefix -> prefix + "-new");
        RemovalEffect effect = RemovalEffect.of(moment, item);
        assertThat(effect.gone()).as("seed %d, %s", seed, item).isEqualTo(removal.isEmpty());
        if (!standing.has(item)) {
          continue;
        }
        assertThat(standing.isCarriedOut(item, Decision.REMOVE, null)).as("seed %d, %s", seed, item).isFalse();
        DraftApplication.Result result = DraftApplication.of(before, removal, RandomStructures.NOW);
        if (!result.refusals().isEmpty()) {
          // The last holder of a duty that has to be held stays.
          assertThat(item.kind()).isEqualTo(ItemKind.DUTY);
          continue;
        }
        SnapshotAt after = before.next(result.structure()).at(RandomStructures.NOW);
        assertThat(StandingItems.in(after, after.instant()).isCarriedOut(item, Decision.REMOVE, null)).as("seed %d, %s", seed, item).isTrue();
        RightsDifference.Totals totals = RightsDifference.between(moment, after).totals();
        assertThat(List.of(effect.people(), effect.documents())).as("seed %d, %s", seed, item).containsExactly(totals.peopleLosing(), totals.documents());
        effect.still().forEach(through -> assertThat(after.rights(after.snapshot().personNumber(item.subject().id()), after.snapshot().placeNumber(item.place())).contains(Right.READ)).isTrue());
        carried++;
      }
    }
    assertThat(carried).isGreaterThan(500);
  }

  @Test
  void a_changed_end_or_role_is_what_stands_there_then() {
    int changed = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(150); seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      SnapshotAt moment = snapshot.at(RandomStructures.NOW);
      Set<String> given = new HashSet<>();
      for (ReviewItem item : ReviewItems.of(moment, WRITTEN)) {
        boolean alone = given.add(item.kind() + item.container() + item.subject()) && item.period().from() == null;
        if (!alone || item.subject() instanceof Subject.BuiltIn) {
          continue;
        }
        DecidedChange.Instead instead = new DecidedChange.Instead(null, RandomStructures.NOW.plusSeconds(7_777_777));
        List<Change> changes = new ArrayList<>(DecidedChange.changing(moment, item, instead, prefix -> prefix + "-new"));
        DraftApplication.Result result = DraftApplication.of(snapshot, changes, RandomStructures.NOW);
        if (result.refusals().isEmpty()) {
          StandingItems after = StandingItems.in(snapshot.next(result.structure()).at(RandomStructures.NOW), RandomStructures.NOW);
          assertThat(after.isCarriedOut(item, Decision.CHANGE, instead)).as("seed %d, %s", seed, item).isTrue();
          changed++;
        }
      }
    }
    assertThat(changed).isGreaterThan(200);
  }

  @Test
  void a_change_is_not_carried_out_because_another_entry_says_the_same_already() {
    int tried = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(300); seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      for (ReviewItem item : ReviewItems.of(snapshot.at(RandomStructures.NOW), new ReviewScope(Set.of(ItemKind.GRANT), null, Set.of(), false))) {
        for (String role : snapshot.structure().roles().keySet()) {
          if (role.equals(item.role())) {
            continue;
          }
          Grant given = snapshot.structure().grants().get(item.key().substring("grant:".length()));
          Grant beside = new Grant("e-beside", given.place(), given.subject(), role, given.types(), given.period(), null);
          DraftApplication.Result result = DraftApplication.of(snapshot, List.of(new AccessChange.AddGrant(beside)), RandomStructures.NOW);
          if (result.refusals().isEmpty()) {
            StandingItems now = StandingItems.in(snapshot.next(result.structure()).at(RandomStructures.NOW), RandomStructures.NOW);
            assertThat(now.isCarriedOut(item, Decision.CHANGE, new DecidedChange.Instead(role, null))).as("seed %d, %s", seed, item).isFalse();
            tried++;
          }
        }
      }
    }
    assertThat(tried).isGreaterThan(100);
  }
}
