package palegate.core.asking;

import java.util.List;
import palegate.core.roles.Right;

/**
 * The answer to a typed question: how it was understood, a sentence, and where the evidence is; or what has to be said more exactly first.
 *
 * @param reading how the question was understood; what is not found stands in it as it was typed
 * @param sentence the answer; null while something is to be chosen or is not there
 * @param choices for every name that means several things, what it may mean; empty if there is an answer
 * @param missing the names that mean nothing that may be known, as they were typed
 * @param evidence what was found of the names, for where the evidence is shown
 */
public record Answer(String reading, String sentence, List<Choice> choices, List<String> missing, Evidence evidence) {
  /** A name as it was typed, and what it may mean. */
  public record Choice(String typed, List<Named> options) {}

  /** {@code kind} is why, people, reach, history, wall or ways; what it does not need is null. */
  public record Evidence(String kind, Named person, Named place, Named thing, Right right) {}

  public Answer {
    choices = List.copyOf(choices);
    missing = List.copyOf(missing);
  }
}
