package palegate.core.findings;

import java.util.stream.Stream;

/** A rule: what it looks for, why that matters, and what it found. */
public interface Rule {
  /** By which it is known: in files, addresses and docs/findings.md. */
  String code();

  Severity severity();

  /** What it looks for, in a few words. */
  String title();

  /** Why that matters, in a sentence. */
  String matters();

  /** Everything found, in a stable order. */
  Stream<Finding> find(Survey survey);

  /**
   * Whether only somebody who administers the whole repository can say so: of a part it would seem that nobody is in a group, or that nothing
   * uses a role, because that is elsewhere.
   */
  default boolean isOfWhole() {
    return false;
  }

  /** What it finds in what people did, which a structure does not say; asked anew each time, and of a bundle never. */
  default Stream<Finding> findInActivity(Survey survey) {
    return Stream.empty();
  }

  /** Whether its fixes mend whatever else there is; if not, each is tried before it is offered. */
  default boolean fixesAreSure() {
    return true;
  }
}
