package palegate.core.structure;

import java.util.HashMap;
import java.util.Map;

/**
 * Gives equal ids one text while a structure is being read: a million documents name a few thousand folders, and
 * would otherwise carry a text of their own for each.
 */
public final class SharedIds {
  private final Map<String, String> known = new HashMap<>();

  /** The text that was first seen for this id; null for null. */
  public String share(String id) {
    if (id == null) {
      return null;
    }
    String first = known.putIfAbsent(id, id);
    return first == null ? id : first;
  }
}
