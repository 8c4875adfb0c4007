package palegate.server.journal;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.reflect.Constructor;
import java.lang.reflect.RecordComponent;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.approvals.ApprovalRule;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;
import palegate.core.places.Conditions;
import palegate.core.places.Guards;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.structure.Alteration;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Barrier;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/**
 * The journal shows everything that a change altered: whatever single part of a thing becomes another, its words become others. The parts
 * are found by looking into the records, so one that is added to them and forgotten here fails.
 */
class AlteredWordsAreExactTest {
  private static final Instant ONE = Instant.parse("2026-05-01T00:00:00Z");
  private static final Instant OTHER = Instant.parse("2026-07-01T00:00:00Z");
  private static final Period DATED = new Period(ONE, OTHER);
  private static final Subject GROUP = new Subject.OfGroup("g");
  private static final Scope SCOPE = new Scope(Set.of("p", "q"), Set.of("t"), Map.of("case", Set.of("C-1", "C-2")));

  private static final List<Object> THINGS = List.of(
      new Grant("e", "p", GROUP, "r", Set.of("t"), DATED, "A note"),
      new Withholding("e", "p", GROUP, Rights.parse(List.of("copy")), Set.of("t"), DATED, "A note"),
      new Oversight("o", "p", GROUP, DATED, "A note"),
      new Person("m", "Mia", "mia", "mia@example.org", false, true, "u"),
      new Unit("u", "Unit", "v"),
      new Alteration.GroupMembership("g", new Membership(new Membership.PersonMember("m"), DATED)),
      new Role("r", "Reader", Rights.parse(List.of("copy"))),
      new Place("p", PlaceKind.DOCUMENT, "q", "Paper", true, Map.of("case", "C-1"), "t", "m", "l", new Guards("r", true, true), new Conditions(true, true, "m", ONE)),
      new ApprovalRule("a", "Rule", new ApprovalRule.When(Set.of("rejoin"), Set.of(Duty.WALLS), true, Set.of("p")), Duty.ACCESS),
      new DutyAssignment("d", GROUP, Duty.ACCESS, "p", "u", "r", DATED),
      new DocumentType("t", "Type", "Ty", true, Set.of("l"), List.of(
          new DocumentType.Field("hull", "Hull", DocumentType.Kind.CHOICE, List.of("Steel", "Wood"), true, 12, true, "What it is made of"),
          new DocumentType.Field("sent", "Sent", DocumentType.Kind.DATE, List.of(), false, null, false, null)),
          List.of(new Clearance(GROUP, "r", DATED))),
      new Wall("w", "Wall", "A reason", Wall.State.STANDING, DATED, new Barrier.Screen(SCOPE, List.of(GROUP)), List.of(new Wall.Exempt(GROUP, OTHER))),
      new Wall("w", "Wall", "A reason", Wall.State.STANDING, DATED, new Barrier.Sides(List.of(new Barrier.Side("one", List.of(GROUP), SCOPE),
          new Barrier.Side("other", List.of(new Subject.OfPerson("m")), SCOPE))), List.of()));

  private final AlteredWords words = new AlteredWords(new Names(Structure.EMPTY, Structure.EMPTY), true);

  @Test
  void whatever_part_becomes_another_is_told() {
    int told = 0;
    for (Object thing : THINGS) {
      Map<String, String> before = words.fields(thing);
      for (Other other : others(thing)) {
        if (other.part().endsWith(" left out") && !canBeSaid(other.value())) {
          continue; // What names nothing at all is never kept: a bundle and a draft refuse it.
        }
        assertThat(words.fields(other.value())).as("%s with another %s", thing.getClass().getSimpleName(), other.part()).isNotEqualTo(before);
        told++;
      }
    }
    assertThat(told).isGreaterThan(120);
  }

  @Test
  void what_the_change_took_away_is_called_by_the_name_it_had() {
    Structure before = Structure.EMPTY.withRoles(Map.of("r", new Role("r", "Reader", Rights.ALL))).withPlaces(Map.of("p", Place.plain("p", PlaceKind.FOLDER, null, "Paper", false, Map.of(), null, null, null)));
    AlteredWords named = new AlteredWords(new Names(Structure.EMPTY, before), true);
    assertThat(named.fields(new Grant("e", "p", Subject.BuiltIn.STAFF, "r", Set.of(), Period.ALWAYS, null))).containsEntry("place", "Paper").containsEntry("role", "Reader");
  }

  private boolean canBeSaid(Object thing) {
    try {
      words.fields(thing);
      return true;
    } catch (NullPointerException required) {
      return false;
    }
  }

  private record Other(String part, Object value) {}

  /** The record with each of its parts, and of their parts, made another, one at a time; its own id stays. */
  private static List<Other> others(Object record) {
    RecordComponent[] parts = record.getClass().getRecordComponents();
    List<Other> others = new ArrayList<>();
    for (int i = 0; i < parts.length; i++) {
      if (parts[i].getName().equals("id") && !(record instanceof Subject) && !(record instanceof Membership.Member)) {
        continue;
      }
      Object[] values = Arrays.stream(parts).map(part -> read(record, part)).toArray();
      for (Other other : othersOf(parts[i].getName(), values[i])) {
        Object[] changed = values.clone();
        changed[i] = other.value();
        Object made = make(record.getClass(), parts, changed);
        if (made != null && !made.equals(record)) {
          others.add(new Other(other.part(), made));
        }
      }
    }
    return others;
  }

  private static List<Other> othersOf(String part, Object value) {
    List<Other> others = new ArrayList<>();
    if (value instanceof String text) {
      others.add(new Other(part, text + "2"));
      others.add(new Other(part + " left out", null));
    } else if (value instanceof Boolean flag) {
      others.add(new Other(part, !flag));
    } else if (value instanceof Integer number) {
      others.add(new Other(part, number + 1));
      others.add(new Other(part + " left out", null));
    } else if (value instanceof Instant instant) {
      others.add(new Other(part, instant.plusSeconds(1)));
      others.add(new Other(part + " left out", null));
    } else if (value instanceof Rights) {
      others.add(new Other(part, Rights.ALL));
    } else if (value instanceof Enum<?> word) {
      Object[] all = word.getDeclaringClass().getEnumConstants();
      others.add(new Other(part, all[(word.ordinal() + 1) % all.length]));
    } else if (value instanceof Map<?, ?> map) {
      map.forEach((key, one) -> {
        others.add(new Other(part + " without " + key, without(map, key)));
        othersOf(part + "." + key, one).stream().filter(other -> other.value() != null).forEach(other -> others.add(new Other(other.part(), with(map, key, other.value()))));
      });
    } else if (value instanceof Collection<?> many) {
      List<?> list = List.copyOf(many);
      for (int i = 0; i < list.size(); i++) {
        others.add(new Other(part + " without one", like(many, replaced(list, i, null))));
        for (Other other : othersOf(part, list.get(i))) {
          if (other.value() != null) {
            others.add(new Other(other.part(), like(many, replaced(list, i, other.value()))));
          }
        }
      }
      if ((part.equals("fields") || part.equals("choices")) && list.size() > 1) {
        others.add(new Other(part + " in another order", List.of(list.get(1), list.get(0))));
      }
    } else if (value != null && value.getClass().isRecord()) {
      others(value).forEach(other -> others.add(new Other(part + "." + other.part(), other.value())));
      others.removeIf(other -> Objects.equals(other.value(), value));
    }
    return others;
  }

  private static List<Object> replaced(List<?> list, int at, Object by) {
    List<Object> changed = new ArrayList<>(list);
    changed.remove(at);
    if (by != null) {
      changed.add(at, by);
    }
    return changed;
  }

  private static Object like(Collection<?> many, List<Object> changed) {
    return many instanceof Set ? new LinkedHashSet<>(changed) : changed;
  }

  private static Object without(Map<?, ?> map, Object key) {
    Map<Object, Object> changed = new TreeMap<>(map);
    changed.remove(key);
    return changed;
  }

  private static Object with(Map<?, ?> map, Object key, Object value) {
    Map<Object, Object> changed = new TreeMap<>(map);
    changed.put(key, value);
    return changed;
  }

  private static Object read(Object record, RecordComponent part) {
    try {
      part.getAccessor().setAccessible(true);
      return part.getAccessor().invoke(record);
    } catch (ReflectiveOperationException failed) {
      throw new IllegalStateException(failed);
    }
  }

  /** Null where the record refuses such a part. */
  private static Object make(Class<?> type, RecordComponent[] parts, Object[] values) {
    try {
      Constructor<?> constructor = type.getDeclaredConstructor(Arrays.stream(parts).map(RecordComponent::getType).toArray(Class[]::new));
      constructor.setAccessible(true);
      return constructor.newInstance(values);
    } catch (ReflectiveOperationException refused) {
      return null;
    }
  }
}
