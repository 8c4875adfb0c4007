package palegate.server.shell;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import palegate.core.text.WellFormed;

/** Collects what is wrong with what somebody wrote, so that all of it is said at once: what the database could not keep, or people could not see. */
public final class Written {
  private final List<Problem.Fault> faults = new ArrayList<>();

  public Written name(String place, String name) {
    return add(place, WellFormed.name(name));
  }

  public Written text(String place, String text) {
    return add(place, WellFormed.text(text));
  }

  /** An instant that can be kept; null is none. */
  public Written instant(String place, Instant instant) {
    return add(place, WellFormed.instant(instant));
  }

  private Written add(String place, Optional<WellFormed.Wrong> wrong) {
    wrong.ifPresent(one -> faults.add(new Problem.Fault(place, one.what(), one.remedy())));
    return this;
  }

  /** @throws Problem if anything was wrong */
  public void refuse(String detail) {
    if (!faults.isEmpty()) {
      throw Problem.faults(detail, faults);
    }
  }
}
