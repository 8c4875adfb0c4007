package palegate.core.snapshot;

import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.types.DocumentType;

/** Dense numbers for document types: in byte order of ids, then those that have come since. The number of one that has gone is not given again. */
final class AllTypes {
  private final Map<String, Integer> numbers;
  private final int room;

  private AllTypes(Map<String, Integer> numbers, int room) {
    this.numbers = numbers;
    this.room = room;
  }

  static AllTypes of(Structure structure) {
    Map<String, Integer> numbers = new HashMap<>();
    structure.types().keySet().stream().sorted().forEach(id -> numbers.put(id, numbers.size()));
    return new AllTypes(numbers, numbers.size());
  }

  /** The same numbers after some of the types that differ have come or gone. */
  AllTypes with(Set<String> differing, Parts<DocumentType> now) {
    Map<String, Integer> next = new HashMap<>(numbers);
    int size = room;
    for (String id : differing.stream().sorted().toList()) {
      if (!now.containsKey(id)) {
        next.remove(id);
      } else if (next.putIfAbsent(id, size) == null) {
        size++;
      }
    }
    return new AllTypes(next, size);
  }

  /** Of a type that is here. */
  int numberOf(String id) {
    return numbers.get(id);
  }

  /** So many numbers have been given. */
  int room() {
    return room;
  }
}
