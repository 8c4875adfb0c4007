package palegate.core.findings;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import palegate.core.Harbour;
import palegate.core.access.Grant;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Conditions;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** Rules that ask for what people did find what is planted for them, and are quiet beside it, and of a bundle. */
class ActivityRulesTest {
  private static final Instant NOW = Harbour.NOW;
  private static final Instant LONG_AGO = NOW.minus(Duration.ofDays(400));
  private static final Instant LATELY = NOW.minus(Duration.ofDays(20));
  private static final Activity.Openings NONE = new Activity.Openings(LONG_AGO, List.of());

  private static List<Finding> found(Structure structure, String code, Activity activity) {
    return Findings.inActivity(Snapshot.of(structure), NOW, Limits.USUAL, activity, List.of(Rules.of(code).orElseThrow()));
  }

  private static List<String> things(Structure structure, String code, Activity activity) {
    return found(structure, code, activity).stream().map(Finding::thing).toList();
  }

  private static Activity opened(Map<String, Instant> grantSince, Activity.Openings openings) {
    return new Activity(Map.of(), Map.of(), Map.of(), grantSince, openings, Map.of(), List.of());
  }

  private static Activity dutiesUsed(Map<String, Instant> since, Map<String, Map<Duty, Instant>> used) {
    return new Activity(Map.of(), since, used, Map.of(), null, Map.of(), List.of());
  }

  private static Structure with(DutyAssignment... duties) {
    Map<String, DutyAssignment> all = new HashMap<>();
    List.of(duties).forEach(duty -> all.put(duty.id(), duty));
    return Harbour.structure().withDuties(all);
  }

  private static DutyAssignment duty(String id, Subject subject, Duty duty) {
    return new DutyAssignment(id, subject, duty, duty.scope() == Duty.ScopeKind.PLACE ? "root" : null, null, null, Period.ALWAYS);
  }

  @Test
  void of_a_bundle_none_of_them_finds_anything() {
    Rules.ALL.forEach(rule -> assertThat(found(Harbour.structure(), rule.code(), Activity.UNKNOWN)).as(rule.code()).isEmpty());
  }

  @Test
  void a_grant_by_which_nobody_opens_anything_is_unused_once_it_is_old() {
    Map<String, Instant> old = Map.of("e-adj", LONG_AGO, "e-keep", LONG_AGO, "e-c2", LATELY);
    assertThat(things(Harbour.structure(), "right-unused", opened(old, NONE))).as("the one at C2 is new").containsExactly("entry:e-adj", "entry:e-keep");
    assertThat(found(Harbour.structure(), "right-unused", opened(old, NONE)).get(0).text()).isEqualTo("Nobody of Adjusters has opened anything at CAS for 180 days, though “Preparer” lets them.");
  }

  @Test
  void whoever_opens_something_uses_every_grant_that_lets_them() {
    Map<String, Instant> old = Map.of("e-adj", LONG_AGO, "e-keep", LONG_AGO);
    Activity.Openings mia = new Activity.Openings(LONG_AGO, List.of(new Activity.Opened("mia", "val1")));
    assertThat(things(Harbour.structure(), "right-unused", opened(old, mia))).containsExactly("entry:e-keep");
    Structure twice = Harbour.structure().withGrants(Map.of("again", Harbour.grant("again", "c1", new Subject.OfPerson("mia"), "reader")));
    assertThat(things(twice, "right-unused", opened(Map.of("again", LONG_AGO), mia))).as("it let her as well").isEmpty();
    Structure other = Harbour.structure().withGrants(Map.of("letters", new Grant("letters", "c1", new Subject.OfPerson("mia"), "reader", Set.of("letter"), Period.ALWAYS, null)));
    assertThat(things(other, "right-unused", opened(Map.of("letters", LONG_AGO), mia))).as("there is no letter in C1 that could be opened").isEmpty();
  }

  @Test
  void while_openings_are_not_recorded_for_long_enough_nothing_is_said() {
    Map<String, Instant> old = Map.of("e-adj", LONG_AGO);
    assertThat(found(Harbour.structure(), "right-unused", opened(old, new Activity.Openings(LATELY, List.of())))).isEmpty();
    assertThat(found(Harbour.structure(), "right-unused", opened(old, null))).isEmpty();
    assertThat(found(Harbour.structure(), "right-unused", opened(Map.of(), NONE))).as("since when it is there is not known").isEmpty();
  }

  @Test
  void whom_a_wall_keeps_out_of_all_of_it_does_not_leave_it_unused() {
    Wall wall = new Wall("w", "Apart", "", Wall.State.STANDING, Period.ALWAYS, new Barrier.Screen(new Scope(Set.of("cas"), Set.of(), Map.of()), List.of(new Subject.OfGroup("adjusters"))), List.of());
    assertThat(things(Harbour.structure().withWalls(Map.of("w", wall)), "right-unused", opened(Map.of("e-adj", LONG_AGO), NONE))).isEmpty();
  }

  @Test
  void what_was_opened_and_is_gone_since_is_passed_over() {
    Activity.Openings gone = new Activity.Openings(LONG_AGO, List.of(new Activity.Opened("mia", "no-more"), new Activity.Opened("nobody", "val1")));
    assertThat(things(Harbour.structure(), "right-unused", opened(Map.of("e-adj", LONG_AGO), gone))).containsExactly("entry:e-adj");
  }

  @Test
  void a_duty_that_nobody_used_for_long_is_unused() {
    Structure structure = with(duty("du-walls", new Subject.OfPerson("ola"), Duty.WALLS), duty("du-types", new Subject.OfPerson("ola"), Duty.TYPES), duty("du-new", new Subject.OfPerson("mia"), Duty.PEOPLE), duty("du-audit", new Subject.OfPerson("ola"), Duty.AUDIT));
    Map<String, Instant> since = Map.of("du-walls", LONG_AGO, "du-types", LONG_AGO, "du-new", LATELY, "du-audit", LONG_AGO);
    List<Finding> found = found(structure, "duty-unused", dutiesUsed(since, Map.of("ola", Map.of(Duty.TYPES, LATELY, Duty.WALLS, LONG_AGO.plus(Duration.ofDays(10))))));
    assertThat(found).extracting(Finding::thing).as("reading is not seen in the journal").containsExactly("duty:du-walls");
    assertThat(found.get(0).evidence().get(0)).startsWith("Last used on ");
    assertThat(found.get(0).fixes()).hasSize(1);
  }

  @Test
  void one_of_many_who_use_it_is_enough() {
    Structure structure = with(duty("du", new Subject.OfUnit("u-all"), Duty.WALLS));
    assertThat(found(structure, "duty-unused", dutiesUsed(Map.of("du", LONG_AGO), Map.of("mia", Map.of(Duty.WALLS, LATELY))))).isEmpty();
    assertThat(found(structure, "duty-unused", dutiesUsed(Map.of("du", LONG_AGO), Map.of("una", Map.of(Duty.WALLS, LATELY))))).as("who has left does not count").hasSize(1);
  }

  @Test
  void the_last_who_looks_after_the_system_is_not_offered_to_be_ended() {
    DutyAssignment only = duty("du-1", new Subject.OfPerson("ola"), Duty.SYSTEM);
    assertThat(found(with(only), "duty-unused", dutiesUsed(Map.of("du-1", LONG_AGO), Map.of())).get(0).fixes()).isEmpty();
    assertThat(found(with(only, duty("du-2", new Subject.OfPerson("mia"), Duty.SYSTEM)), "duty-unused", dutiesUsed(Map.of("du-1", LONG_AGO), Map.of())).get(0).fixes()).hasSize(1);
  }

  @Test
  void a_break_of_which_nobody_said_why_is_found_as_long_as_it_is_one() {
    Activity activity = new Activity(Map.of("c2", LONG_AGO, "c1", LONG_AGO, "gone", LONG_AGO), Map.of(), Map.of(), Map.of(), null, Map.of(), List.of());
    assertThat(things(Harbour.structure(), "break-without-reason", activity)).containsExactly("place:c2");
  }

  @Test
  void a_draft_that_was_begun_long_ago_is_forgotten() {
    Activity activity = new Activity(Map.of(), Map.of(), Map.of(), Map.of(), null, Map.of(), List.of(new Activity.Draft(7, "Moves", "Ola", NOW.minus(Duration.ofDays(31)), 1), new Activity.Draft(8, "New", "Ola", NOW.minus(Duration.ofDays(29)), 2)));
    List<Finding> found = found(Harbour.structure(), "draft-forgotten", activity);
    assertThat(found).singleElement().satisfies(finding -> {
      assertThat(finding.thing()).isEqualTo("draft:7");
      assertThat(finding.evidence()).containsExactly("1 change is in it, and none of that is in force.");
    });
  }

  @Test
  void what_is_private_or_frozen_for_too_long_is_found_as_long_as_it_is_so() {
    Place letter = Harbour.structure().places().get("let2");
    Structure structure = Harbour.structure().withPlaces(Map.of("let2", letter.in(new Conditions(false, true, null, null))));
    Activity activity = new Activity(Map.of(), Map.of(), Map.of(), Map.of(), null, Map.of(Conditions.Condition.FROZEN, Map.of("let2", LATELY, "val1", LATELY, "gone", LATELY), Conditions.Condition.PRIVATE, Map.of("let2", LATELY)), List.of());
    List<Finding> found = found(structure, "condition-too-long", activity);
    assertThat(found).extracting(Finding::key).as("VAL1 is not frozen any more, and LET2 is not private").containsExactly("condition-too-long place:let2 frozen");
    assertThat(found.get(0).text()).isEqualTo("CAS / C2 / LET2 has been frozen for 20 days.");
    assertThat(found(structure, "condition-too-long", new Activity(Map.of(), Map.of(), Map.of(), Map.of(), null, Map.of(Conditions.Condition.FROZEN, Map.of("let2", NOW.minus(Duration.ofDays(3)))), List.of()))).isEmpty();
  }

  @Test
  void two_lists_are_one_in_the_order_of_their_rules() {
    Activity activity = new Activity(Map.of("c2", LONG_AGO), Map.of(), Map.of(), Map.of(), null, Map.of(), List.of());
    List<Finding> some = Findings.of(Snapshot.of(Harbour.structure()), NOW);
    List<Finding> others = found(Harbour.structure(), "break-without-reason", activity);
    List<Finding> all = Findings.together(some, others);
    assertThat(all).hasSize(some.size() + 1).containsAll(some).containsAll(others);
    assertThat(all).extracting(finding -> finding.severity().ordinal()).isSorted();
  }
}
