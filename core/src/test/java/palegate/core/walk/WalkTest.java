package palegate.core.walk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.papers.FoundPlaces;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.viewpoint.Asker;
import palegate.core.viewpoint.Viewpoint;

/** Sections 6 and 9: a walk shows what the person has, and never more than the walker may know. */
class WalkTest {
  private static final long SEED = 20_261_128;

  @Test
  void a_walk_of_the_whole_is_what_the_person_finds_node_for_node_and_every_other_walk_a_part_of_it() {
    int parts = 0;
    int hidden = 0;
    for (long seed = SEED; seed < SEED + 400; seed++) {
      Random random = new Random(seed);
      Structure plain = RandomStructures.fromSeed(seed);
      if (plain.people().isEmpty() || plain.places().isEmpty()) {
        continue;
      }
      List<Person> people = new ArrayList<>(plain.people().values());
      List<Place> places = new ArrayList<>(plain.places().values());
      String walker = people.get(random.nextInt(people.size())).id();
      Place scope = places.get(random.nextInt(places.size()));
      Duty duty = List.of(Duty.ACCESS, Duty.OVERSIGHT, Duty.AUDIT, Duty.WALLS).get(random.nextInt(4));
      Structure structure = plain.administeredBy(List.of(new DutyAssignment("du", new Subject.OfPerson(walker), duty, duty.scope() == Duty.ScopeKind.PLACE ? scope.id() : null, null, null, Period.ALWAYS)));
      Snapshot snapshot = Snapshot.of(structure);
      SnapshotAt moment = snapshot.at(RandomStructures.NOW);
      Viewpoint viewpoint = Viewpoint.of(Asker.of(moment, walker));
      for (Person person : people) {
        Walk whole = Walk.of(moment, person.id(), null).orElseThrow();
        FoundPlaces theirs = FoundPlaces.of(moment, snapshot.personNumber(person.id()));
        snapshot.places().forEach(place -> {
          assertThat(whole.shows(place)).isEqualTo(theirs.shows(place));
          assertThat(whole.finds(place)).isEqualTo(theirs.finds(place));
          assertThat(whole.hidden(place).isEmpty()).isEqualTo(theirs.shows(place));
        });
        Walk seen = Walk.of(viewpoint.snapshot().at(RandomStructures.NOW), person.id(), viewpoint.asker()).orElse(null);
        assertThat(seen != null).as("seed %d: whom one may not know one does not walk as", seed).isEqualTo(viewpoint.snapshot().personNumber(person.id()) >= 0);
        if (seen == null) {
          continue;
        }
        for (int place : seen.snapshot().places().toArray()) {
          String id = seen.snapshot().place(place).id();
          int inAll = snapshot.placeNumber(id);
          boolean barsWalker = moment.active().contains(snapshot.personNumber(walker)) && !moment.walls().barring(snapshot.personNumber(walker), inAll).isEmpty();
          if (seen.finds(place)) {
            assertThat(theirs.finds(inAll)).as("seed %d, %s at %s", seed, person.id(), id).isTrue();
            assertThat(seen.rights(place)).as("seed %d, %s at %s", seed, person.id(), id).isEqualTo(theirs.rights(inAll));
            assertThat(barsWalker).as("seed %d: past no wall of the walker's own", seed).isFalse();
            assertThat(duty == Duty.AUDIT || duty != Duty.WALLS && covered(structure, scope, id)).as("seed %d, %s at %s: within what the duty covers", seed, duty, scope.id()).isTrue();
            parts++;
          } else if (theirs.finds(inAll)) {
            assertThat(duty == Duty.WALLS || duty != Duty.AUDIT && !covered(structure, scope, id)).as("seed %d: what they find in the scope is not left out", seed).isTrue();
          }
          hidden += seen.maySee(place) && seen.hidden(place).isPresent() ? 1 : 0;
        }
      }
    }
    assertThat(parts).as("places walked to by somebody with a duty").isGreaterThan(400);
    assertThat(hidden).as("places marked as hidden").isGreaterThan(500);
  }

  private static boolean covered(Structure structure, Place scope, String id) {
    for (Place at = structure.places().get(id); at != null; at = at.parent() == null ? null : structure.places().get(at.parent())) {
      if (at.id().equals(scope.id())) {
        return true;
      }
    }
    return false;
  }

  @Test
  void an_auditor_whom_no_wall_bars_walks_exactly_what_each_person_has() {
    int compared = 0;
    for (long seed = SEED; seed < SEED + 200; seed++) {
      Structure plain = RandomStructures.fromSeed(seed);
      if (plain.people().isEmpty() || plain.places().isEmpty()) {
        continue;
      }
      String auditor = plain.people().keySet().iterator().next();
      Structure structure = plain.guardedBy(List.of(), List.of()).administeredBy(List.of(new DutyAssignment("du", new Subject.OfPerson(auditor), Duty.AUDIT, null, null, null, Period.ALWAYS)));
      SnapshotAt moment = Snapshot.of(structure).at(RandomStructures.NOW);
      if (!moment.active().contains(moment.snapshot().personNumber(auditor))) {
        continue;
      }
      Viewpoint viewpoint = Viewpoint.of(Asker.of(moment, auditor));
      for (String person : structure.people().keySet()) {
        FoundPlaces theirs = FoundPlaces.of(moment, moment.snapshot().personNumber(person));
        Walk walk = Walk.of(viewpoint.snapshot().at(RandomStructures.NOW), person, viewpoint.asker()).orElseThrow();
        Set<Integer> walked = moment.snapshot().places().filter(walk::shows).boxed().collect(Collectors.toCollection(TreeSet::new));
        assertThat(walked).as("seed %d", seed).isEqualTo(moment.snapshot().places().filter(theirs::shows).boxed().collect(Collectors.toCollection(TreeSet::new)));
        compared += walked.size();
      }
    }
    assertThat(compared).isGreaterThan(300);
  }
}
