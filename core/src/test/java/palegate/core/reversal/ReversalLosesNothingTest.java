package palegate.core.reversal;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import palegate.core.access.Entry;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.random.RandomDrafts;
import palegate.core.random.RandomGrowth;
import palegate.core.random.RandomLayouts;
import palegate.core.random.RandomMoves;
import palegate.core.random.RandomStructures;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.core.testkit.Often;

/**
 * Undo takes back one change and nothing later (section 8). Each structure is laid out as single facts; after any sequence
 * of changes, undoing one of them sets back the facts that are still as it left them, leaves every other fact as it is
 * now, and names whatever it cannot take back.
 */
class ReversalLosesNothingTest {
  private static final long FIRST_SEED = 70_000;

  /** Where a fact is about a thing, what names the thing in what is left. */
  private record Fact(String thing, String what) {}

  @Test
  void undoing_one_of_several_changes_loses_nothing_later_and_names_all_that_it_cannot_take_back() {
    int undone = 0;
    int named = 0;
    for (long seed = FIRST_SEED; seed < FIRST_SEED + Often.times(1_500); seed++) {
      List<Structure> states = states(seed);
      int change = (int) (seed % (states.size() - 1));
      Structure before = states.get(change);
      Structure after = states.get(change + 1);
      Structure now = states.get(states.size() - 1);
      Reversal reversal = Reversal.of(StructureDifference.between(before, after), Snapshot.of(now), RandomStructures.NOW);
      DraftApplication.Result back = DraftApplication.of(Snapshot.of(now), reversal.changes(), RandomStructures.NOW);
      assertThat(back.refusals()).as("seed %d", seed).isEmpty();
      Set<String> left = reversal.left().stream().map(Reversal.Left::thing).collect(Collectors.toSet());
      Map<Fact, Object> was = facts(before);
      Map<Fact, Object> made = facts(after);
      Map<Fact, Object> is = facts(now);
      Map<Fact, Object> result = facts(back.structure());
      Set<Fact> all = new TreeSet<>((a, b) -> (a.thing() + a.what()).compareTo(b.thing() + b.what()));
      List.of(was, made, is, result).forEach(facts -> all.addAll(facts.keySet()));
      for (Fact fact : all) {
        boolean touched = !Objects.equals(was.get(fact), made.get(fact));
        boolean since = !Objects.equals(made.get(fact), is.get(fact));
        if (!touched || since) {
          assertThat(result.get(fact)).as("seed %d: %s is not this change's, or no longer", seed, fact).isEqualTo(is.get(fact));
          if (touched && !Objects.equals(was.get(fact), is.get(fact))) {
            assertThat(left).as("seed %d: %s is named", seed, fact).contains(fact.thing());
            named++;
          }
        } else if (!Objects.equals(result.get(fact), was.get(fact)) && !isSomebodyWhoCame(fact, was)) {
          assertThat(result.get(fact)).as("seed %d: %s is either set back or left", seed, fact).isEqualTo(is.get(fact));
          assertThat(left).as("seed %d: %s is named", seed, fact).contains(fact.thing());
          named++;
        } else {
          undone++;
        }
      }
    }
    assertThat(undone).as("most of it can be taken back").isGreaterThan(named);
    assertThat(named).as("and some of it cannot").isGreaterThan(100);
  }

  /** Nobody is ever erased: whoever came with the change becomes inactive. */
  private static boolean isSomebodyWhoCame(Fact fact, Map<Fact, Object> was) {
    return fact.thing().startsWith("person:") && !was.containsKey(new Fact(fact.thing(), "there"));
  }

  private static List<Structure> states(long seed) {
    Structure first = RandomStructures.fromSeed(seed);
    List<Structure> states = new ArrayList<>(List.of(first));
    for (int step = 0; step < 4 && !states.get(states.size() - 1).roles().isEmpty(); step++) {
      Structure last = states.get(states.size() - 1);
      long own = seed * 31 + step;
      List<Change> changes = switch ((int) Math.floorMod(seed / 7 + step, 4)) {
        case 0 -> RandomDrafts.fromSeed(last, own);
        case 1 -> RandomLayouts.fromSeed(last, own);
        case 2 -> RandomMoves.fromSeed(first, last, own, step);
        default -> RandomGrowth.fromSeed(last, own, step);
      };
      Structure next = DraftApplication.of(Snapshot.of(last), renamed(changes, step), RandomStructures.NOW).structure();
      if (next != last) {
        states.add(next);
      }
    }
    return states.size() > 1 ? states : states(seed + 1_000_000);
  }

  /** What drafts make has the same ids in each: entries get one of their own in each step, so that they do not take each other's. */
  private static List<Change> renamed(List<Change> changes, int step) {
    return changes.stream().map(change -> change instanceof AccessChange.AddGrant add ? new AccessChange.AddGrant(add.grant().copiedTo(add.grant().id() + "-" + step, add.grant().place()))
        : change instanceof AccessChange.BreakPlace broken ? new AccessChange.BreakPlace(broken.place(), broken.start(), List.of(), broken.prefix() + "-" + step) : change).toList();
  }

  private static Map<Fact, Object> facts(Structure structure) {
    Map<Fact, Object> facts = new HashMap<>();
    structure.units().values().forEach(unit -> facts.put(new Fact("unit:" + unit.id(), ""), unit));
    structure.people().values().forEach(person -> of(person, facts));
    structure.groups().values().forEach(group -> {
      facts.put(new Fact("group:" + group.id(), ""), group.with(List.of()));
      group.members().forEach(member -> facts.put(new Fact("group:" + group.id(), member.toString()), true));
    });
    structure.roles().values().forEach(role -> facts.put(new Fact("role:" + role.id(), ""), role));
    structure.types().values().forEach(type -> {
      facts.put(new Fact("type:" + type.id(), ""), type.cleared(List.of()));
      type.clearances().forEach(clearance -> facts.put(new Fact("type:" + type.id(), clearance.toString()), true));
    });
    structure.places().values().forEach(place -> of(place, facts));
    structure.entries().forEach((Entry entry) -> facts.put(new Fact("place:" + entry.place(), "entry " + entry.id()), entry));
    structure.oversights().values().forEach(oversight -> facts.put(new Fact("place:" + oversight.place(), "oversight " + oversight.id()), oversight));
    structure.walls().values().forEach(wall -> {
      facts.put(new Fact("wall:" + wall.id(), ""), wall.except(List.of()));
      wall.exceptions().forEach(exempt -> facts.put(new Fact("wall:" + wall.id(), exempt.toString()), true));
    });
    return facts;
  }

  private static void of(Person person, Map<Fact, Object> facts) {
    String thing = "person:" + person.id();
    facts.put(new Fact(thing, "there"), true);
    facts.put(new Fact(thing, "name"), person.name());
    facts.put(new Fact(thing, "external"), person.external());
    facts.put(new Fact(thing, "active"), person.active());
    facts.put(new Fact(thing, "unit"), String.valueOf(person.unit()));
  }

  private static void of(Place place, Map<Fact, Object> facts) {
    String thing = "place:" + place.id();
    facts.put(new Fact(thing, "there"), place.kind());
    facts.put(new Fact(thing, "name"), place.name());
    facts.put(new Fact(thing, "parent"), String.valueOf(place.parent()));
    facts.put(new Fact(thing, "alone"), place.standsAlone());
    facts.put(new Fact(thing, "type"), String.valueOf(place.type()));
    facts.put(new Fact(thing, "owner"), String.valueOf(place.owner()));
    place.labels().forEach((key, value) -> facts.put(new Fact(thing, "label " + key), value));
    facts.put(new Fact(thing, "ceiling"), String.valueOf(place.guards().ceiling()));
    facts.put(new Fact(thing, "sharing"), place.guards().reserveSharing());
    facts.put(new Fact(thing, "takeaway"), place.guards().noTakeaway());
    facts.put(new Fact(thing, "private"), place.conditions().isPrivate());
    facts.put(new Fact(thing, "frozen"), place.conditions().frozen());
    facts.put(new Fact(thing, "checked out"), place.conditions().checkedOutBy() + " " + place.conditions().checkedOutAt());
  }
}
