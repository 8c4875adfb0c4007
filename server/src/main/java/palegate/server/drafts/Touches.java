package palegate.server.drafts;

import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;

/** What a change touches, as names of things; two drafts that share one clash. */
public final class Touches {
  private Touches() {}

  /** Everything that differs between two structures; an entry counts as its place's access list. */
  public static Set<String> between(Structure before, Structure after) {
    Set<String> things = new TreeSet<>();
    collect(things, before.units(), after.units(), unit -> "unit:" + unit.id());
    collect(things, before.people(), after.people(), person -> "person:" + person.id());
    collect(things, before.groups(), after.groups(), group -> "group:" + group.id());
    collect(things, before.roles(), after.roles(), role -> "role:" + role.id());
    collect(things, before.types(), after.types(), type -> "type:" + type.id());
    collect(things, before.places(), after.places(), place -> place(place.id()));
    Function<Entry, String> list = entry -> place(entry.place());
    collect(things, before.grants(), after.grants(), list);
    collect(things, before.withholdings(), after.withholdings(), list);
    collect(things, before.oversights(), after.oversights(), oversight -> place(oversight.place()));
    collect(things, before.walls(), after.walls(), wall -> "wall:" + wall.id());
    collect(things, before.approvals(), after.approvals(), rule -> "approval:" + rule.id());
    return things;
  }

  static String place(String id) {
    return "place:" + id;
  }

  private static <P, T extends P> void collect(Set<String> things, Parts<T> before, Parts<T> after, Function<P, String> name) {
    for (String id : before.differing(after)) {
      Stream.of(Optional.ofNullable(before.get(id)), Optional.ofNullable(after.get(id)))
          .flatMap(Optional::stream).map(name).forEach(things::add);
    }
  }
}
