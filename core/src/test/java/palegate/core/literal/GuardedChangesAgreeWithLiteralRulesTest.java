package palegate.core.literal;

import static org.assertj.core.api.Assertions.assertThat;
import static palegate.core.literal.Literally.FIRST_SEED;

import java.time.Instant;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import palegate.core.changes.Change;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.PeopleChange;
import palegate.core.changes.RoleChange;
import palegate.core.duties.Duty;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomGrowth;
import palegate.core.random.RandomLayouts;
import palegate.core.random.RandomMoves;
import palegate.core.random.RandomStructures;
import palegate.core.rehearsal.GuardedChanges;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Wall;

/**
 * Section 7, at its end: whatever kinds of changes a draft is made of, if at any instant from now on anybody would be
 * unbarred or cleared by it, it waits for the duty. Judged literally: every person, every place, every wall, every instant.
 */
class GuardedChangesAgreeWithLiteralRulesTest {
  private static final Instant NOW = RandomStructures.NOW;
  private int unbarring;
  private int clearing;
  private int needless;

  @Test
  void nobody_is_unbarred_or_cleared_without_the_duty_being_asked_for() {
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(1_800); seed++) {
      Structure structure = seed % 5 == 0 ? barringLater(RandomStructures.fromSeed(seed)) : RandomStructures.fromSeed(seed);
      List<Change> changes = new ArrayList<>(switch ((int) (seed % 4)) {
        case 0 -> RandomDrafts.fromSeed(structure, seed);
        case 1 -> RandomLayouts.fromSeed(structure, seed);
        case 2 -> RandomMoves.fromSeed(structure, structure, seed, 0);
        default -> RandomGrowth.fromSeed(structure, seed, 0);
      });
      addAboutPeople(structure, seed, changes);
      changes.removeIf(change -> change.duty() == Duty.WALLS || change.duty() == Duty.TYPES);
      assertGuarded(seed, Rehearsal.of(Snapshot.of(structure), changes, NOW, null));
    }
    assertThat(unbarring).as("drafts that unbar somebody are among them").isGreaterThan(Often.times(40));
    assertThat(clearing).as("drafts that clear somebody are among them").isGreaterThan(Often.times(40));
    assertThat(needless).as("hardly any draft waits for nothing").isLessThan(unbarring + clearing);
  }

  /** Every wall bars one person only, who joins what it names later, and some of them are excepted for a while longer. */
  private static Structure barringLater(Structure structure) {
    Optional<Person> person = structure.people().values().stream().filter(Person::active).findFirst();
    if (person.isEmpty()) {
      return structure;
    }
    Subject later = new Subject.OfGroup("g-later");
    Group group = new Group("g-later", "Later", null, List.of(new Membership(new Membership.PersonMember(person.get().id()), new Period(NOW.plusSeconds(60), null))));
    Map<String, Wall> walls = new HashMap<>();
    structure.walls().values().forEach(wall -> walls.put(wall.id(), new Wall(wall.id(), wall.name(), null, wall.state(), wall.period(),
        new Barrier.Screen(wall.barrier().scopes().get(0), List.of(later)), wall.exceptions().isEmpty() ? List.of() : List.of(new Wall.Exempt(later, NOW.plusSeconds(120))))));
    return structure.withGroups(Map.of(group.id(), group)).withWalls(walls);
  }

  /** A role widened, somebody in or out of a group, and somebody changed: what walls and clearances hang on. */
  private static void addAboutPeople(Structure structure, long seed, List<Change> changes) {
    Random random = new Random(seed);
    List<Role> roles = List.copyOf(structure.roles().values());
    changes.add(new RoleChange.SetRole(new Role(roles.get(random.nextInt(roles.size())).id(), "Role", Rights.ofMask(random.nextInt(512)))));
    List<Person> people = List.copyOf(structure.people().values());
    List<Group> groups = List.copyOf(structure.groups().values());
    if (!people.isEmpty() && !groups.isEmpty()) {
      Person person = people.get(random.nextInt(people.size()));
      Group group = groups.get(random.nextInt(groups.size()));
      changes.add(new MembershipChange.AddMember(group.id(), new Membership(new Membership.PersonMember(person.id()), Period.ALWAYS)));
      group.members().stream().findFirst().ifPresent(member -> changes.add(new MembershipChange.RemoveMember(group.id(), member)));
      changes.add(new PeopleChange.SetPerson(new Person(person.id(), person.name(), null, null, random.nextBoolean(), true, person.unit())));
    }
  }

  private void assertGuarded(long seed, Rehearsal rehearsal) {
    Map<Duty, String> needed = GuardedChanges.of(rehearsal);
    Structure before = rehearsal.before().structure();
    Structure after = rehearsal.after().structure();
    Set<Instant> instants = new TreeSet<>(Set.of(NOW));
    instants.addAll(rehearsal.before().boundariesAfter(NOW));
    instants.addAll(rehearsal.after().boundariesAfter(NOW));
    boolean unbars = false;
    boolean clears = false;
    for (Person is : after.people().values()) {
      Person was = before.people().get(is.id());
      if (was == null || !was.active() || !is.active()) {
        continue;
      }
      for (Place place : after.places().values()) {
        Place earlier = before.places().get(place.id());
        for (Instant instant : earlier == null ? Set.<Instant>of() : instants) {
          unbars = unbars || unbars(before, after, was, is, earlier, place, instant);
          clears = clears || clears(before, after, was, is, earlier, place, instant);
        }
      }
    }
    if (unbars) {
      assertThat(needed).as("seed %d", seed).containsKey(Duty.WALLS);
      unbarring++;
    }
    if (clears) {
      assertThat(needed).as("seed %d", seed).containsKey(Duty.TYPES);
      clearing++;
    }
    boolean goes = before.places().keySet().stream().anyMatch(id -> !after.places().containsKey(id));
    boolean comes = after.people().values().stream().anyMatch(person -> person.active() && (!before.people().containsKey(person.id()) || !before.people().get(person.id()).active()));
    boolean planned = before.walls().values().stream().anyMatch(wall -> wall.state() == Wall.State.PLANNED);
    needless += !unbars && !clears && !goes && !comes && !planned && !needed.isEmpty() ? 1 : 0;
  }

  private static boolean unbars(Structure before, Structure after, Person was, Person is, Place earlier, Place place, Instant instant) {
    return before.walls().values().stream().anyMatch(wall -> LiteralWalls.bars(before, wall, was, earlier, instant)
        && !LiteralWalls.bars(after, after.walls().get(wall.id()), is, place, instant));
  }

  private static boolean clears(Structure before, Structure after, Person was, Person is, Place earlier, Place place, Instant instant) {
    Set<Right> had = cleared(before, was, earlier, instant);
    return !had.containsAll(cleared(after, is, place, instant));
  }

  private static Set<Right> cleared(Structure structure, Person person, Place place, Instant instant) {
    DocumentType type = place.type() == null ? null : structure.types().get(place.type());
    if (type == null || !type.guarded()) {
      return EnumSet.allOf(Right.class);
    }
    Set<Right> cleared = EnumSet.noneOf(Right.class);
    for (Clearance clearance : type.clearances()) {
      if (LiteralRules.in(clearance.period().from(), clearance.period().until(), instant) && LiteralRules.matches(structure, person, clearance.subject(), instant)) {
        cleared.addAll(structure.roles().get(clearance.role()).rights().list());
      }
    }
    return cleared;
  }
}
