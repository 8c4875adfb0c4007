package palegate.server.journal;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.people.Unit;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/** What changes touch, as the journal keeps it: the kind, a colon, the id. */
final class Things {
  private Things() {}

  /** Things whose name contains a text that is in small letters. O(people, groups, types), and places as the index of their names has them. */
  static List<String> named(Snapshot snapshot, String text, int atMost) {
    Structure structure = snapshot.structure();
    return Stream.of(named("person", structure.people(), Person::name, text), named("group", structure.groups(), Group::name, text), named("unit", structure.units(), Unit::name, text),
        named("role", structure.roles(), Role::name, text), named("type", structure.types(), DocumentType::name, text), named("wall", structure.walls(), Wall::name, text),
        IntStream.of(snapshot.placesNamed(text)).mapToObj(place -> "place:" + snapshot.place(place).id())).flatMap(things -> things).limit(atMost).toList();
  }

  private static <T> Stream<String> named(String kind, Map<String, T> things, Function<T, String> name, String text) {
    return things.entrySet().stream().filter(thing -> name.apply(thing.getValue()).toLowerCase(Locale.ROOT).contains(text)).map(thing -> kind + ":" + thing.getKey());
  }

  static boolean isThere(Structure structure, String thing) {
    int colon = thing.indexOf(':');
    String id = thing.substring(colon + 1);
    return switch (colon < 0 ? "" : thing.substring(0, colon)) {
      case "person" -> structure.people().containsKey(id);
      case "group" -> structure.groups().containsKey(id);
      case "unit" -> structure.units().containsKey(id);
      case "role" -> structure.roles().containsKey(id);
      case "type" -> structure.types().containsKey(id);
      case "wall" -> structure.walls().containsKey(id);
      case "place" -> structure.places().containsKey(id);
      default -> false;
    };
  }
}
