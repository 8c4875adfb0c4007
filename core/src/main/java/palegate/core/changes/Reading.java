package palegate.core.changes;

import java.util.List;
import java.util.function.UnaryOperator;
import palegate.core.bundle.Fault;
import palegate.core.text.WellFormed;

/**
 * Where in what is read one is, and what was wrong so far.
 *
 * @param pointer the JSON pointer (RFC 6901) of the place
 * @param newId an id for what a change makes and does not name, from the letters with which it begins
 * @param strict whether unknown keys and ill-formed values are refused: not those of what was kept by an earlier version
 */
record Reading(String pointer, List<Fault> faults, UnaryOperator<String> newId, boolean strict) {
  Reading in(String key) {
    return new Reading(pointer + "/" + key.replace("~", "~0").replace("/", "~1"), faults, newId, strict);
  }

  /** Notes what is wrong here; null, for what could not be read. */
  <V> V refused(String what, String remedy) {
    faults.add(new Fault(pointer, what, remedy));
    return null;
  }

  void refused(WellFormed.Wrong wrong) {
    refused(wrong.what(), wrong.remedy());
  }
}
