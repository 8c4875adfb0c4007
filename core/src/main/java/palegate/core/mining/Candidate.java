package palegate.core.mining;

import java.util.List;
import palegate.core.changes.Change;
import palegate.core.collections.PersonSet;

/**
 * What might say the same with less; whether it does is for a rehearsal to say.
 *
 * @param saves how many entries it would save
 * @param shown what alone it touches, if it has been shown already that it says the same, whatever is done to anything else; else null
 */
record Candidate(Proposal.Kind kind, String words, List<Change> changes, int saves, Touches shown) {
  /** Rights of some people, whoever of them there may ever be, at a place and below it. */
  record Touches(String place, PersonSet people) {}

  Candidate(Proposal.Kind kind, String words, List<Change> changes, int saves) {
    this(kind, words, changes, saves, null);
  }
}
