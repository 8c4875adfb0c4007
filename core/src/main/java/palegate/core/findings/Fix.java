package palegate.core.findings;

import java.util.List;
import palegate.core.changes.Change;

/**
 * What would mend a finding, as a draft.
 *
 * @param words what it does, as one would say it
 */
public record Fix(String words, List<Change> changes) {
  public Fix {
    changes = List.copyOf(changes);
  }

  static Fix of(String words, Change... changes) {
    return new Fix(words, List.of(changes));
  }
}
