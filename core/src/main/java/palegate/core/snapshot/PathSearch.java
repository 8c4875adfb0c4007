package palegate.core.snapshot;

import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;
import java.util.Locale;

/**
 * Looks for a text in the paths of places, in capitals or not. What a path contains, those below it contain too; so of each
 * place usually only its own name is looked at, once.
 */
public final class PathSearch {
  private final Snapshot snapshot;
  /** In small letters. */
  private final String text;
  /** Whether the text may lie across two names; no name by itself says then whether a path contains it. */
  private final boolean across;
  private final BitSet asked = new BitSet();
  private final BitSet containing = new BitSet();

  public PathSearch(Snapshot snapshot, String text) {
    this.snapshot = snapshot;
    this.text = text.strip().toLowerCase(Locale.ROOT);
    across = this.text.contains("/");
  }

  /** Whether a place's path contains the text. */
  public boolean finds(int place) {
    if (text.isEmpty()) {
      return true;
    }
    // Up to what has been asked before, then down again, each name looked at once.
    Deque<Integer> open = new ArrayDeque<>();
    for (int at = place; at >= 0 && !asked.get(at); at = snapshot.parent(at)) {
      open.push(at);
    }
    while (!open.isEmpty()) {
      int at = open.pop();
      int parent = snapshot.parent(at);
      asked.set(at);
      // The name of the repository is in no path but its own.
      containing.set(at, parent > 0 && containing.get(parent) || contains(across ? snapshot.pathText(at) : snapshot.place(at).name()));
    }
    return containing.get(place);
  }

  private boolean contains(String words) {
    return words.toLowerCase(Locale.ROOT).contains(text);
  }
}
