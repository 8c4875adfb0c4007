package palegate.server.store;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;

/** Of one kind of thing, what a change ends and what it begins: the rows to end and those to write. */
record RowChanges<T>(List<T> over, List<T> begun) {
  static <T> RowChanges<T> of(StructureDifference difference, Set<String> ids, Function<Structure, Parts<T>> kind) {
    return new RowChanges<>(present(kind.apply(difference.before()), ids), present(kind.apply(difference.after()), ids));
  }

  private static <T> List<T> present(Parts<T> parts, Set<String> ids) {
    return ids.stream().sorted().map(parts::get).filter(Objects::nonNull).toList();
  }
}
