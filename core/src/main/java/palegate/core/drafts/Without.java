package palegate.core.drafts;

import java.util.LinkedHashMap;
import java.util.Map;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.structure.Structure;

/** A structure less one entry, to see what that entry does. */
final class Without {
  private Without() {}

  static Structure entry(Structure structure, Entry entry) {
    Map<String, Grant> grants = new LinkedHashMap<>(structure.grants());
    Map<String, Withholding> withholdings = new LinkedHashMap<>(structure.withholdings());
    if (entry instanceof Grant) {
      grants.remove(entry.id());
    } else {
      withholdings.remove(entry.id());
    }
    return structure.withEntries(grants, withholdings);
  }
}
