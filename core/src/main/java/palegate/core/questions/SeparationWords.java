package palegate.core.questions;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.function.Function;
import java.util.stream.Collectors;
import palegate.core.duties.Duty;
import palegate.core.separations.Separation;
import palegate.core.structure.Structure;

/** What a side of a separation names, in words. */
public final class SeparationWords {
  private SeparationWords() {}

  public static String of(Separation.Side side, Structure structure) {
    List<String> parts = new ArrayList<>();
    add(parts, "the role ", side.roles(), id -> structure.roles().containsKey(id) ? structure.roles().get(id).name() : id);
    add(parts, "the right ", Set.copyOf(side.rights().words()), word -> word);
    add(parts, "being in ", side.groups(), id -> structure.groups().containsKey(id) ? structure.groups().get(id).name() : id);
    add(parts, "the duty ", side.duties().stream().map(Duty::word).collect(Collectors.toSet()), word -> word);
    String types = side.types().stream().map(id -> structure.types().containsKey(id) ? structure.types().get(id).name() : id).sorted().collect(Collectors.joining(" or "));
    return String.join(", or ", parts) + (types.isEmpty() || !side.atPlaces() ? "" : ", on documents of the type " + types);
  }

  private static void add(List<String> parts, String before, Set<String> ids, Function<String, String> name) {
    if (!ids.isEmpty()) {
      parts.add(before + ids.stream().map(name).sorted().collect(Collectors.joining(" or ")));
    }
  }
}
