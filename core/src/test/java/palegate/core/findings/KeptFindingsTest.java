package palegate.core.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.changes.MembershipChange;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomGrowth;
import palegate.core.random.RandomMoves;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;

/** What is found after a change, made from what was found before it, is what is found afresh. */
class KeptFindingsTest {
  private static final long FIRST_SEED = 20_261_129L;
  private static final Limits LIMITS = Limits.USUAL;

  /** Change by change, so that each is judged by itself and what it leaves is the next one's beginning. */
  @Test
  void after_any_change_the_same_is_found_as_afresh() {
    int changes = 0;
    int somewhere = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(130); seed++) {
      Structure first = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(first);
      KeptFindings kept = KeptFindings.of(snapshot, RandomStructures.NOW, LIMITS, Rules.ALL);
      List<Change> all = new ArrayList<>(RandomDrafts.fromSeed(first, seed));
      all.addAll(RandomGrowth.fromSeed(first, seed, 1));
      all.addAll(RandomMoves.fromSeed(first, first, seed, 2));
      for (Change change : all) {
        DraftApplication.Result result = DraftApplication.of(snapshot, List.of(change), RandomStructures.NOW);
        if (!result.refusals().isEmpty()) {
          continue;
        }
        Structure before = snapshot.structure();
        snapshot = snapshot.next(result.difference());
        kept = kept.next(snapshot, RandomStructures.NOW, LIMITS, Rules.ALL);
        assertThat(kept.findings()).as("seed %d, after %s", seed, change).isEqualTo(Findings.of(Snapshot.of(snapshot.structure()), RandomStructures.NOW));
        changes++;
        somewhere += Touched.between(before, snapshot).places().count() < snapshot.placeCount() ? 1 : 0;
      }
    }
    assertThat(changes).isGreaterThan(700);
    assertThat(somewhere).as("changes of which something was kept").isGreaterThan(changes / 4);
  }

  /** Memberships are what changes most: each group gains and loses a member, now, later and by a dated one. */
  @Test
  void after_any_membership_too() {
    int changes = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(80); seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      KeptFindings kept = KeptFindings.of(snapshot, RandomStructures.NOW, LIMITS, Rules.ALL);
      for (Group group : List.copyOf(snapshot.structure().groups().values())) {
        for (Change change : memberships(snapshot.structure(), snapshot.structure().groups().get(group.id()))) {
          DraftApplication.Result result = DraftApplication.of(snapshot, List.of(change), RandomStructures.NOW);
          if (result.refusals().isEmpty()) {
            snapshot = snapshot.next(result.difference());
            kept = kept.next(snapshot, RandomStructures.NOW, LIMITS, Rules.ALL);
            assertThat(kept.findings()).as("seed %d, after %s", seed, change).isEqualTo(Findings.of(snapshot, RandomStructures.NOW));
            changes++;
          }
        }
      }
    }
    assertThat(changes).isGreaterThan(200);
  }

  private static List<Change> memberships(Structure structure, Group group) {
    List<Change> changes = new ArrayList<>();
    group.members().stream().findFirst().ifPresent(member -> changes.add(new MembershipChange.RemoveMember(group.id(), member)));
    structure.people().keySet().stream().limit(2).forEach(person -> {
      changes.add(new MembershipChange.AddMember(group.id(), new Membership(new Membership.PersonMember(person), Period.ALWAYS)));
      changes.add(new MembershipChange.AddMember(group.id(), new Membership(new Membership.PersonMember(person), new Period(RandomStructures.NOW.plusSeconds(3_600), null))));
    });
    return changes;
  }

  @Test
  void what_begins_or_ends_by_its_date_is_seen_without_a_change() {
    int others = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(120); seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      KeptFindings kept = KeptFindings.of(snapshot, RandomStructures.NOW, LIMITS, Rules.ALL);
      List<Finding> first = kept.findings();
      for (int hours = 1; hours < 60; hours += 7) {
        Instant then = RandomStructures.NOW.plusSeconds(3_600L * hours);
        kept = kept.next(snapshot, then, LIMITS, Rules.ALL);
        assertThat(kept.findings()).as("seed %d, %s", seed, then).isEqualTo(Findings.of(snapshot, then));
      }
      others += kept.findings().equals(first) ? 0 : 1;
    }
    assertThat(others).as("structures in which time alone brought or took findings").isGreaterThan(20);
  }

  @Test
  void other_limits_or_rules_do_not_meet_what_was_kept_for_those_before() {
    Limits wide = new Limits(60, 1, 9, 200, 10, 3);
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 40; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      List<Rule> few = Rules.ALL.stream().filter(rule -> rule.code().startsWith("break") || rule.code().equals("ends-soon")).toList();
      KeptFindings kept = KeptFindings.of(snapshot, RandomStructures.NOW, LIMITS, few);
      assertThat(kept.next(snapshot, RandomStructures.NOW, wide, few).findings()).as("seed %d", seed).isEqualTo(Findings.of(snapshot, RandomStructures.NOW, wide, few));
      assertThat(kept.next(snapshot, RandomStructures.NOW, LIMITS, Rules.ALL).findings()).as("seed %d", seed).isEqualTo(Findings.of(snapshot, RandomStructures.NOW));
    }
  }

  @Test
  void a_state_that_was_not_made_from_the_one_before_is_looked_at_all_the_same() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 40; seed++) {
      Snapshot one = Snapshot.of(RandomStructures.fromSeed(seed));
      Snapshot other = Snapshot.of(RandomStructures.fromSeed(seed + 1_000));
      assertThat(KeptFindings.of(one, RandomStructures.NOW, LIMITS, Rules.ALL).next(other, RandomStructures.NOW, LIMITS, Rules.ALL).findings()).as("seed %d", seed).isEqualTo(Findings.of(other, RandomStructures.NOW));
    }
  }

  private static List<Subject> subjects(Structure structure) {
    List<Subject> some = new ArrayList<>(List.of(Subject.BuiltIn.STAFF));
    structure.groups().keySet().stream().limit(1).forEach(id -> some.add(new Subject.OfGroup(id)));
    return some;
  }

  /** An entry that another one further down made idle acts again once that one is gone: found above the place that was touched. */
  @Test
  void what_stands_above_the_touched_place_is_looked_at_again() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + 60; seed++) {
      Snapshot snapshot = Snapshot.of(RandomStructures.fromSeed(seed));
      KeptFindings kept = KeptFindings.of(snapshot, RandomStructures.NOW, LIMITS, Rules.ALL);
      for (String place : snapshot.structure().places().keySet().stream().limit(6).toList()) {
        for (Subject subject : subjects(snapshot.structure())) {
          Grant grant = new Grant("new", place, subject, snapshot.structure().roles().keySet().iterator().next(), Set.of(), Period.ALWAYS, null);
          DraftApplication.Result result = DraftApplication.of(snapshot, List.of(new AccessChange.AddGrant(grant)), RandomStructures.NOW);
          if (result.refusals().isEmpty()) {
            Snapshot after = snapshot.next(result.difference());
            assertThat(kept.next(after, RandomStructures.NOW, LIMITS, Rules.ALL).findings()).as("seed %d, %s", seed, grant).isEqualTo(Findings.of(after, RandomStructures.NOW));
          }
        }
      }
    }
  }
}
