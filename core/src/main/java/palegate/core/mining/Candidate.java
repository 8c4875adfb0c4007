package palegate.core.mining;

import java.util.List;
import palegate.core.changes.Change;

/**
 * What might say the same with less; whether it does is for a rehearsal to say.
 *
 * @param saves how many entries it would save
 */
record Candidate(Proposal.Kind kind, String words, List<Change> changes, int saves) {}
