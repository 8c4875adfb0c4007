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

  /** Whether its fixes mend whatever else there is; if not, each is tried before it is offered. */
  default boolean fixesAreSure() {
    return true;
  }
}
