package palegate.core.bundle;

import java.util.List;
import java.util.stream.Collectors;

/** A bundle that was refused, with all its faults. */
public final class InvalidBundle extends Exception {
  private final transient List<Fault> faults;

  public InvalidBundle(List<Fault> faults) {
    super(faults.stream().map(Fault::toString).collect(Collectors.joining("\n")));
    this.faults = List.copyOf(faults);
  }

  public List<Fault> faults() {
    return faults;
  }
}
