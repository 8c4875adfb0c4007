package palegate.core.literal;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palegate.core.access.Grant;
import palegate.core.changes.ShareChange;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.questions.SeparationsBroken;
import palegate.core.random.RandomStructures;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.separations.Separation;
import palegate.core.shares.Sharing;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.testkit.Often;
import palegate.core.viewpoint.Asker;

/** Sections 9, 11 and 13: who may share what with whom, at every instant, and who holds together what is kept apart, as the rules read literally. */
class SharingAgreesWithLiteralRulesTest {
  private static final int STRUCTURES = Often.times(700);

  @Test
  void somebody_may_share_just_what_the_rules_let_them() {
    int may = 0;
    int asked = 0;
    for (long seed = 0; seed < STRUCTURES; seed++) {
      Random random = new Random(seed);
      Structure structure = withSharers(RandomStructures.fromSeed(seed), random);
      if (structure.people().isEmpty()) {
        continue;
      }
      Snapshot snapshot = Snapshot.of(structure);
      Instant now = RandomStructures.instant(random);
      List<String> people = List.copyOf(structure.people().keySet());
      List<String> places = List.copyOf(structure.places().keySet());
      List<String> roles = List.copyOf(structure.roles().keySet());
      for (int i = 0; i < 6; i++) {
        String sharer = people.get(random.nextInt(people.size()));
        Instant until = random.nextInt(3) == 0 ? null : now.plus(Duration.ofHours(1 + random.nextInt(1_200)));
        Period period = new Period(random.nextInt(4) > 0 ? null : now.plus(Duration.ofMinutes(30)), until);
        Grant share = new Grant("new", places.get(random.nextInt(places.size())), subject(structure, random), roles.get(random.nextInt(roles.size())), Set.of(), period, null, sharer, null);
        Rehearsal rehearsal = Rehearsal.of(snapshot, List.of(new ShareChange.AddShare(share)), now, sharer);
        boolean found = Sharing.obstacles(Asker.of(snapshot.at(now), sharer), rehearsal).isEmpty();
        Set<Instant> later = new HashSet<>(rehearsal.after().boundariesAfter(now));
        assertThat(found).as("seed %s: %s shares %s", seed, sharer, share).isEqualTo(LiteralSharing.mayShare(structure, sharer, share, now, later));
        may += found ? 1 : 0;
        asked++;
      }
    }
    assertThat(may).as("of %s asked", asked).isGreaterThan(100);
  }

  /** Two people who keep most of it, one of them for a while only, and a role that many may give. */
  private static Structure withSharers(Structure structure, Random random) {
    if (structure.people().isEmpty()) {
      return structure;
    }
    Structure more = structure.withRoles(Map.of("all", new Role("all", "All", Rights.ALL), "few", new Role("few", "Few", Rights.parse(List.of("find", "read", "copy", "share")))));
    List<Person> people = List.copyOf(structure.people().values());
    String root = structure.repository().map(Place::id).orElseThrow();
    Map<String, Grant> grants = new TreeMap<>();
    grants.put("s1", new Grant("s1", root, new Subject.OfPerson(people.get(random.nextInt(people.size())).id()), "all", Set.of(), Period.ALWAYS, null));
    grants.put("s2", new Grant("s2", List.copyOf(structure.places().keySet()).get(random.nextInt(structure.places().size())), new Subject.OfPerson(people.get(random.nextInt(people.size())).id()), "few", Set.of(), Period.ALWAYS, null));
    return more.withGrants(grants);
  }

  private static Subject subject(Structure structure, Random random) {
    List<String> people = List.copyOf(structure.people().keySet());
    List<String> groups = List.copyOf(structure.groups().keySet());
    return random.nextInt(3) == 0 && !groups.isEmpty() ? new Subject.OfGroup(groups.get(random.nextInt(groups.size()))) : random.nextInt(6) == 0 ? Subject.BuiltIn.STAFF
        : new Subject.OfPerson(people.get(random.nextInt(people.size())));
  }

  @Test
  void whoever_holds_together_what_is_kept_apart_is_found_with_sides_and_places() {
    int broken = 0;
    for (long seed = 0; seed < STRUCTURES; seed++) {
      Structure structure = RandomStructures.fromSeed(seed);
      Instant now = RandomStructures.instant(new Random(seed));
      List<SeparationsBroken.Broken> found = SeparationsBroken.of(Snapshot.of(structure).at(now)).all();
      Set<String> literally = new HashSet<>();
      for (Separation separation : structure.separations().values()) {
        structure.people().values().forEach(person -> literally(structure, separation, person, now, literally));
      }
      assertThat(found.stream().map(one -> one.separation() + " " + one.person() + " " + Set.copyOf(one.sides()).stream().sorted().toList() + " " + one.places()).collect(Collectors.toSet())).as("seed %s", seed).isEqualTo(literally);
      broken += found.size();
    }
    assertThat(broken).isGreaterThan(40);
  }

  private static void literally(Structure structure, Separation separation, Person person, Instant now, Set<String> into) {
    boolean byPlace = separation.within() == Separation.Within.PLACE && separation.sides().stream().anyMatch(Separation.Side::atPlaces);
    if (!byPlace) {
      Set<Integer> held = LiteralSharing.sidesHeld(structure, separation, person, null, now);
      if (held.size() > 1) {
        into.add(separation.id() + " " + person.id() + " " + held.stream().sorted().toList() + " 0");
      }
      return;
    }
    Set<Integer> sides = new HashSet<>();
    int places = 0;
    for (Place place : structure.places().values()) {
      Set<Integer> held = LiteralSharing.sidesHeld(structure, separation, person, place.id(), now);
      if (held.size() > 1) {
        sides.addAll(held);
        places++;
      }
    }
    if (places > 0) {
      into.add(separation.id() + " " + person.id() + " " + sides.stream().sorted().toList() + " " + places);
    }
  }
}
