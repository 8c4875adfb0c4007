package palegate.core.changes;

import java.util.List;

/**
 * Why a change of a draft cannot be made.
 *
 * @param change the position of the change in the draft, from 0
 * @param thing what the change is about, as {@link Change#thing} has it
 * @param what what is wrong, naming the values
 * @param remedy what would be right
 * @param cycle the names along the cycle that would come about, its first one last again, the step that was asked for
 *     first; empty if that is not what is wrong
 */
public record Refusal(int change, String thing, String what, String remedy, List<String> cycle) {
  public Refusal {
    cycle = List.copyOf(cycle);
  }
}
