package palegate.core.structure;

import java.util.Collections;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Stream;
import palegate.core.access.Entry;

/**
 * What differs between two structures: for each kind of part, the ids of those that came, went or became others. Found once, in
 * O(changes) if one structure was made from the other, else in O(parts); clashes, the journal, rows and the next snapshot are all
 * made from it.
 */
public record StructureDifference(
    Structure before, Structure after, Set<String> units, Set<String> people, Set<String> groups, Set<String> roles, Set<String> types, Set<String> places,
    Set<String> grants, Set<String> withholdings, Set<String> oversights, Set<String> walls, Set<String> approvals, Set<String> duties,
    Set<String> sharing, Set<String> passes, Set<String> shortlists, Set<String> separations) {

  /** Where nothing differs, what came after is what was before: whoever asks whether they are the same one is told so. */
  public static StructureDifference between(Structure before, Structure after) {
    StructureDifference found = found(before, after);
    return found.isEmpty() && before != after ? found(before, before) : found;
  }

  private static StructureDifference found(Structure before, Structure after) {
    return new StructureDifference(before, after, ids(before, after, Structure::units), ids(before, after, Structure::people), ids(before, after, Structure::groups),
        ids(before, after, Structure::roles), ids(before, after, Structure::types), ids(before, after, Structure::places), ids(before, after, Structure::grants),
        ids(before, after, Structure::withholdings), ids(before, after, Structure::oversights), ids(before, after, Structure::walls),
        ids(before, after, Structure::approvals), ids(before, after, Structure::duties),
        ids(before, after, Structure::sharing), ids(before, after, Structure::passes), ids(before, after, Structure::shortlists), ids(before, after, Structure::separations));
  }

  private static <T> Set<String> ids(Structure before, Structure after, Function<Structure, Parts<T>> parts) {
    return Collections.unmodifiableSet(parts.apply(before).differing(parts.apply(after)));
  }

  public boolean isEmpty() {
    return Stream.of(units, people, groups, roles, types, places, grants, withholdings, oversights, walls, approvals, duties, sharing, passes, shortlists, separations).allMatch(Set::isEmpty);
  }

  /**
   * Everything that differs, as kind and id joined by a colon, in order; an entry, an appointment and a rule of sharing count as the place at which they
   * stand, a shortlist as its unit; what is opened through a pass touches the pass too. Two differences that share a thing touch the same.
   */
  public Set<String> things() {
    Set<String> things = new TreeSet<>();
    units.forEach(id -> things.add("unit:" + id));
    people.forEach(id -> things.add("person:" + id));
    groups.forEach(id -> things.add("group:" + id));
    roles.forEach(id -> things.add("role:" + id));
    types.forEach(id -> things.add("type:" + id));
    places.forEach(id -> things.add("place:" + id));
    walls.forEach(id -> things.add("wall:" + id));
    approvals.forEach(id -> things.add("approval:" + id));
    duties.forEach(id -> things.add("duty:" + id));
    sharing.forEach(id -> things.add("place:" + id));
    passes.forEach(id -> things.add("pass:" + id));
    shortlists.forEach(id -> things.add("unit:" + id));
    separations.forEach(id -> things.add("separation:" + id));
    at(grants, Structure::grants, Entry::place, things);
    grants.forEach(id -> Stream.of(before, after).map(structure -> structure.grants().get(id)).filter(grant -> grant != null && grant.pass() != null).forEach(grant -> things.add("pass:" + grant.pass())));
    at(withholdings, Structure::withholdings, Entry::place, things);
    at(oversights, Structure::oversights, oversight -> oversight.place(), things);
    return things;
  }

  private <P, T extends P> void at(Set<String> ids, Function<Structure, Parts<T>> parts, Function<P, String> place, Set<String> things) {
    ids.forEach(id -> Stream.of(before, after).map(structure -> Optional.<P>ofNullable(parts.apply(structure).get(id)))
        .flatMap(Optional::stream).forEach(part -> things.add("place:" + place.apply(part))));
  }
}
