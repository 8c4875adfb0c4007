package palegate.core.random;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.stream.Stream;
import palegate.core.bundle.BundleReader;
import palegate.core.bundle.BundleWriter;
import palegate.core.bundle.InvalidBundle;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.places.Conditions;
import palegate.core.places.Guards;
import palegate.core.places.Place;
import palegate.core.structure.Structure;

/** Makes a structure on which something fails small, so that a person can see why. */
public final class Shrinking {
  private Shrinking() {}

  /** Leaves out part after part for as long as what is left is sound and still fails. */
  public static Structure smallest(Structure structure, Predicate<Structure> fails) {
    Structure smallest = structure;
    for (boolean smaller = true; smaller;) {
      smaller = false;
      for (Structure candidate : withOneThingLess(smallest)) {
        if (isSound(candidate) && fails.test(candidate)) {
          smallest = candidate;
          smaller = true;
          break;
        }
      }
    }
    return smallest;
  }

  /** The structure as a bundle, to be printed and kept. */
  public static String text(Structure structure) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    BundleWriter.write(structure, out);
    return out.toString(StandardCharsets.UTF_8);
  }

  private static List<Structure> withOneThingLess(Structure s) {
    List<Structure> all = new ArrayList<>();
    s.walls().keySet().forEach(id -> all.add(s.withWalls(gone(id))));
    s.oversights().keySet().forEach(id -> all.add(s.withOversights(gone(id))));
    s.withholdings().keySet().forEach(id -> all.add(s.withWithholdings(gone(id))));
    s.grants().keySet().forEach(id -> all.add(s.withGrants(gone(id))));
    s.places().keySet().forEach(id -> all.add(s.withPlaces(gone(id))));
    s.types().keySet().forEach(id -> all.add(s.withTypes(gone(id))));
    s.types().values().forEach(type -> type.clearances().forEach(one ->
        all.add(s.withTypes(Map.of(type.id(), type.cleared(type.clearances().stream().filter(other -> other != one).toList()))))));
    s.groups().keySet().forEach(id -> all.add(s.withGroups(gone(id))));
    s.groups().values().forEach(group -> group.members().forEach(member -> all.add(s.withGroups(Map.of(group.id(), without(group, member))))));
    s.people().keySet().forEach(id -> all.add(s.withPeople(gone(id))));
    s.units().keySet().forEach(id -> all.add(s.withUnits(gone(id))));
    s.roles().keySet().forEach(id -> all.add(s.withRoles(gone(id))));
    for (Place place : s.places().values()) {
      Stream.of(place.following(), place.labelled(Map.of()), place.guarded(Guards.NONE), place.in(Conditions.NONE))
          .filter(plainer -> !plainer.equals(place)).forEach(plainer -> all.add(s.withPlaces(Map.of(place.id(), plainer))));
    }
    return all;
  }

  private static Group without(Group group, Membership member) {
    return group.with(group.members().stream().filter(other -> other != member).toList());
  }

  private static <T> Map<String, T> gone(String id) {
    return Collections.singletonMap(id, null);
  }

  private static boolean isSound(Structure structure) {
    try {
      BundleReader.read(text(structure).getBytes(StandardCharsets.UTF_8));
      return true;
    } catch (InvalidBundle unsound) {
      return false;
    }
  }
}
