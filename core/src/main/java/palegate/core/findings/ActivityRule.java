package palegate.core.findings;

import java.util.stream.Stream;

/** A rule that finds nothing in the structure alone. */
interface ActivityRule extends Rule {
  @Override
  default Stream<Finding> find(Survey survey) {
    return Stream.empty();
  }
}
