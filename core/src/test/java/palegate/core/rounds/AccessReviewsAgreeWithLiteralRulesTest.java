package palegate.core.rounds;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.UnaryOperator;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.literal.LiteralRules;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.random.RandomStructures;
import palegate.core.roles.Right;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;

/** What a round asks of people's access at places, and what a decision on it does, beside the rules read literally (access rules, sections 4 to 6). */
class AccessReviewsAgreeWithLiteralRulesTest {
  private static final long FIRST_SEED = 20_261_130L;
  private static final Instant NOW = RandomStructures.NOW;
  private static final Instant LATER = NOW.plusSeconds(7_777_777);
  private static final ReviewScope ACCESS = new ReviewScope(Set.of(ItemKind.ACCESS), null, Set.of(), false);

  private static UnaryOperator<String> ids() {
    AtomicInteger next = new AtomicInteger();
    return prefix -> prefix + "-decided-" + next.incrementAndGet();
  }

  private static Map<List<String>, Set<Right>> all(Structure structure) {
    Map<List<String>, Set<Right>> all = new HashMap<>();
    structure.people().keySet().forEach(person -> structure.places().keySet().forEach(place -> all.put(List.of(person, place), LiteralRules.standing(structure, person, place, NOW))));
    return all;
  }

  @Test
  void everybody_is_asked_about_once_where_what_they_have_begins_or_is_another() {
    int asked = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(800); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Set<String> expected = new HashSet<>();
      for (Place place : structure.places().values()) {
        boolean own = structure.grants().values().stream().anyMatch(one -> one.place().equals(place.id())) || structure.withholdings().values().stream().anyMatch(one -> one.place().equals(place.id())) || place.standsAlone();
        if (!place.isDocument() || own) {
          structure.people().keySet().stream().filter(person -> !LiteralRules.standing(structure, person, place.id(), NOW).isEmpty())
              .filter(person -> place.parent() == null || !LiteralRules.standing(structure, person, place.id(), NOW).equals(LiteralRules.standing(structure, person, place.parent(), NOW)))
              .forEach(person -> expected.add("access:" + place.id() + ":" + person));
        }
      }
      assertThat(ReviewItems.of(Snapshot.of(structure).at(NOW), ACCESS)).extracting(ReviewItem::key).as("seed %d", seed).containsExactlyInAnyOrderElementsOf(expected);
      asked += expected.size();
    }
    assertThat(asked).isGreaterThan(Often.times(1_000));
  }

  @Test
  void what_is_taken_is_gone_there_and_below_from_them_alone_now_and_when_later_entries_begin() {
    int taken = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(250); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(structure);
      SnapshotAt moment = snapshot.at(NOW);
      Map<List<String>, Set<Right>> before = all(structure);
      for (ReviewItem item : ReviewItems.of(moment, ACCESS)) {
        Person person = structure.people().get(item.subject().id());
        List<Change> changes = DecidedChange.removing(moment, item, ids());
        DraftApplication.Result result = DraftApplication.of(snapshot, changes, NOW);
        assertThat(result.refusals()).as("seed %d, %s", seed, item).isEmpty();
        Structure after = result.structure();
        boolean overseen = isOverseenAt(structure, person, item.container(), NOW);
        for (Instant at : instants(snapshot)) {
          Set<Right> left = LiteralRules.standing(after, person.id(), item.container(), at);
          assertThat(overseen || isOverseenAt(after, person, item.container(), at) ? Set.of(Right.FIND, Right.READ).containsAll(left) : left.isEmpty()).as("seed %d, %s, at %s: %s", seed, item, at, left).isTrue();
        }
        assertThat(StandingItems.in(snapshot.next(after).at(NOW), NOW).isCarriedOut(item, Decision.REMOVE, null)).as("seed %d, %s", seed, item).isEqualTo(!overseen);
        String which = "seed " + seed + ", " + item;
        all(after).forEach((pair, rights) -> {
          boolean below = isBelow(structure, pair.get(1), item.container());
          if (!pair.get(0).equals(person.id()) || !below) {
            assertThat(rights).as("%s: somebody else, or elsewhere: %s", which, pair).isEqualTo(before.get(pair));
          } else {
            assertThat(before.get(pair)).as("%s: nothing is given by taking: %s", which, pair).containsAll(rights);
          }
        });
        taken++;
      }
    }
    assertThat(taken).isGreaterThan(Often.times(300));
  }

  /** Now, whenever anything begins or ends, and long after. */
  private static List<Instant> instants(Snapshot snapshot) {
    List<Instant> instants = new ArrayList<>(List.of(NOW, LATER, LATER.plusSeconds(400_000_000)));
    instants.addAll(snapshot.boundariesAfter(NOW));
    return instants;
  }

  private static boolean isOverseenAt(Structure structure, Person person, String place, Instant at) {
    return person.staff() && structure.oversights().values().stream().anyMatch(one -> isBelow(structure, place, one.place()) && one.period().holdsAt(at) && LiteralRules.matches(structure, person, one.subject(), at));
  }

  private static boolean isBelow(Structure structure, String place, String top) {
    for (String at = place; at != null; at = structure.places().get(at).parent()) {
      if (at.equals(top)) {
        return true;
      }
    }
    return false;
  }

  /** Per reads casualties by name today; from July on he is in a group, within another, that prepares them. */
  @Test
  void what_a_membership_would_give_that_is_still_to_begin_is_taken_too() {
    Structure base = Harbour.structure();
    Group trainees = base.groups().get("trainees");
    Group adjusters = base.groups().get("adjusters");
    List<Membership> later = new ArrayList<>(trainees.members());
    later.add(new Membership(new Membership.PersonMember("per"), new Period(Harbour.JULY, null)));
    Structure structure = base.withGroups(Map.of("trainees", trainees.with(later), "adjusters", adjusters.with(List.of(new Membership(new Membership.GroupMember("trainees"), Period.ALWAYS)))))
        .withGrants(Map.of("by-name", Harbour.grant("by-name", "cas", new Subject.OfPerson("per"), "reader")));
    Snapshot snapshot = Snapshot.of(structure);
    SnapshotAt moment = snapshot.at(Harbour.NOW);
    ReviewItem item = ReviewItems.of(moment, ACCESS).stream().filter(one -> one.key().equals("access:cas:per")).findFirst().orElseThrow();
    for (DecidedChange.Instead instead : List.of(new DecidedChange.Instead(null, null), new DecidedChange.Instead("reader", null))) {
      boolean remove = instead.role() == null;
      List<Change> changes = remove ? DecidedChange.removing(moment, item, ids()) : DecidedChange.changing(moment, item, instead, ids());
      Structure after = DraftApplication.of(snapshot, changes, Harbour.NOW).structure();
      assertThat(LiteralRules.standing(after, "per", "cas", Harbour.JULY)).isEqualTo(remove ? Set.of() : Set.of(Right.FIND, Right.READ, Right.COPY));
      assertThat(LiteralRules.standing(after, "mia", "cas", Harbour.JULY)).isEqualTo(LiteralRules.standing(structure, "mia", "cas", Harbour.JULY));
    }
  }

  @Test
  void another_role_is_what_they_have_there_then_unless_a_guard_or_oversight_makes_it_otherwise_and_it_is_said() {
    int exact = 0;
    int otherwise = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(400); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(structure);
      SnapshotAt moment = snapshot.at(NOW);
      Random random = new Random(seed);
      List<Role> roles = structure.roles().values().stream().filter(role -> role.rights().contains(Right.FIND)).toList();
      for (ReviewItem item : ReviewItems.of(moment, ACCESS)) {
        Person person = structure.people().get(item.subject().id());
        Role role = random.nextInt(4) == 0 || roles.isEmpty() ? null : roles.get(random.nextInt(roles.size()));
        DecidedChange.Instead instead = new DecidedChange.Instead(role == null ? null : role.id(), role == null || random.nextBoolean() ? LATER : null);
        List<Change> changes = DecidedChange.changing(moment, item, instead, ids());
        DraftApplication.Result result = DraftApplication.of(snapshot, changes, NOW);
        assertThat(result.refusals()).as("seed %d, %s", seed, item).isEmpty();
        Structure after = result.structure();
        Set<Right> now = LiteralRules.standing(after, person.id(), item.container(), NOW);
        for (Instant at : instants(snapshot)) {
          Set<Right> then = LiteralRules.standing(after, person.id(), item.container(), at);
          if (!isOverseenAt(after, person, item.container(), at)) {
            assertThat(role == null || Set.copyOf(role.rights().list()).containsAll(then)).as("seed %d, %s to %s, at %s: %s", seed, item, role, at, then).isTrue();
            assertThat(instead.until() == null || at.isBefore(LATER) || then.isEmpty()).as("seed %d, %s, at %s: %s", seed, item, at, then).isTrue();
          }
        }
        boolean so = (role == null || now.equals(Set.copyOf(role.rights().list()))) && (instead.until() == null || LiteralRules.standing(after, person.id(), item.container(), LATER).isEmpty());
        assertThat(StandingItems.in(snapshot.next(after).at(NOW), NOW).isCarriedOut(item, Decision.CHANGE, instead)).as("seed %d, %s to %s", seed, item, instead).isEqualTo(so);
        CarriedOut carried = CarriedOut.of(moment, moment.instant(), List.of(new CarriedOut.Decided(item, Decision.CHANGE, instead)), ids());
        assertThat(carried.left().size() + carried.besides().size()).as("seed %d, %s to %s", seed, item, instead).isEqualTo(so ? 0 : 1);
        exact += so ? 1 : 0;
        otherwise += so ? 0 : 1;
      }
    }
    assertThat(exact).isGreaterThan(Often.times(300));
    assertThat(otherwise).isGreaterThan(Often.times(20));
  }

  @Test
  void what_was_to_be_kept_and_another_decision_alters_is_said_and_nothing_else() {
    int said = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(400); seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Snapshot snapshot = Snapshot.of(structure);
      SnapshotAt moment = snapshot.at(NOW);
      Random random = new Random(seed);
      List<CarriedOut.Decided> decided = new ArrayList<>();
      ReviewItems.of(moment, new ReviewScope(Set.of(ItemKind.ACCESS, ItemKind.GRANT), null, Set.of(), false))
          .forEach(item -> decided.add(new CarriedOut.Decided(item, random.nextInt(3) == 0 ? Decision.REMOVE : Decision.KEEP, null)));
      CarriedOut carried = CarriedOut.of(moment, moment.instant(), decided, ids());
      DraftApplication.Result result = DraftApplication.of(snapshot, carried.changes(), NOW);
      assertThat(result.refusals()).as("seed %d", seed).isEmpty();
      String which = "seed " + seed;
      Set<String> besides = new HashSet<>();
      carried.besides().forEach(one -> besides.add(one.item().key()));
      decided.stream().filter(one -> one.item().kind() == ItemKind.ACCESS && one.decision() == Decision.KEEP).forEach(one -> {
        Set<Right> was = LiteralRules.standing(structure, one.item().subject().id(), one.item().container(), NOW);
        Set<Right> is = LiteralRules.standing(result.structure(), one.item().subject().id(), one.item().container(), NOW);
        if (!was.equals(is)) {
          assertThat(besides).as(which).contains(one.item().key());
        }
      });
      said += besides.size();
    }
    assertThat(said).isGreaterThan(Often.times(50));
  }
}
