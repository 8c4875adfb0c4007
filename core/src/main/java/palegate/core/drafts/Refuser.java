package palegate.core.drafts;

import java.util.List;

/** Told of what cannot be made, and what would be right. */
@FunctionalInterface
interface Refuser {
  /** @param cycle as {@link Refusal#cycle} has it */
  void refuse(Change change, String what, String remedy, List<String> cycle);

  default void refuse(Change change, String what, String remedy) {
    refuse(change, what, remedy, List.of());
  }

  /** @param things what would form it, in the plural */
  default void refuseCycle(Change change, String things, List<String> cycle, String remedy) {
    refuse(change, "The " + things + " would form a cycle: " + String.join(" → ", cycle) + ".", remedy, cycle);
  }
}
