package palegate.server.viewpoint;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.approvals.ApprovalRule;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.people.Unit;
import palegate.core.places.Place;
import palegate.core.roles.Role;
import palegate.core.separations.Separation;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/** What changes touch, as the journal keeps it: the kind, a colon, the id. */
public final class Things {
  private Things() {}

  /** Things whose name contains a text that is in small letters. O(people, groups, types), and places as the index of their names has them. */
  public static List<String> named(Snapshot snapshot, String text, int atMost) {
    Structure structure = snapshot.structure();
    return Stream.of(named("person", structure.people(), Person::name, text), named("group", structure.groups(), Group::name, text), named("unit", structure.units(), Unit::name, text),
        named("role", structure.roles(), Role::name, text), named("type", structure.types(), DocumentType::name, text), named("wall", structure.walls(), Wall::name, text),
        IntStream.of(snapshot.placesNamed(text)).mapToObj(place -> "place:" + snapshot.place(place).id())).flatMap(things -> things).limit(atMost).toList();
  }

  private static <T> Stream<String> named(String kind, Map<String, T> things, Function<T, String> name, String text) {
    return things.entrySet().stream().filter(thing -> name.apply(thing.getValue()).toLowerCase(Locale.ROOT).contains(text)).map(thing -> kind + ":" + thing.getKey());
  }

  /** The name of a thing; empty if there is none, or a kind that has no name. O(1). */
  public static Optional<String> nameOf(Structure structure, String thing) {
    String id = thing.substring(thing.indexOf(':') + 1);
    return switch (kindOf(thing)) {
      case "person" -> name(structure.people().get(id), Person::name);
      case "group" -> name(structure.groups().get(id), Group::name);
      case "unit" -> name(structure.units().get(id), Unit::name);
      case "role" -> name(structure.roles().get(id), Role::name);
      case "type" -> name(structure.types().get(id), DocumentType::name);
      case "wall" -> name(structure.walls().get(id), Wall::name);
      case "place" -> name(structure.places().get(id), Place::name);
      case "approval" -> name(structure.approvals().get(id), ApprovalRule::name);
      case "pass" -> Optional.ofNullable(structure.passes().get(id)).flatMap(pass -> name(structure.places().get(pass.place()), Place::name)).map(place -> "the pass to " + place);
      case "separation" -> name(structure.separations().get(id), Separation::name);
      case "duty" -> name(structure.duties().get(id), given -> given.duty().word());
      default -> Optional.empty();
    };
  }

  static String kindOf(String thing) {
    return thing.indexOf(':') < 0 ? "" : thing.substring(0, thing.indexOf(':'));
  }

  private static <T> Optional<String> name(T thing, Function<T, String> name) {
    return Optional.ofNullable(thing).map(name);
  }
}
