package palegate.core.drafts;

/**
 * Why a change of a draft cannot be made.
 *
 * @param change the position of the change in the draft, from 0
 * @param thing what the change is about, as {@link Change#thing} has it
 * @param what what is wrong, naming the values
 * @param remedy what would be right
 */
public record Refusal(int change, String thing, String what, String remedy) {}
