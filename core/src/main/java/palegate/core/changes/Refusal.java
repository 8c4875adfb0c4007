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
 * @param amongKnown whether it is refused only for what its author sees beside it, a name that is taken or a person who is not there, and
 *     made all the same: a state in which more stands than they know does not refuse it, or it would tell them what else there is
 */
public record Refusal(int change, String thing, String what, String remedy, List<String> cycle, boolean amongKnown) {
  public Refusal {
    cycle = List.copyOf(cycle);
  }
}
