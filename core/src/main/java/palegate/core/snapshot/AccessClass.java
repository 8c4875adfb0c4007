package palegate.core.snapshot;

import java.util.List;
import java.util.Objects;
import palegate.core.people.Subject;
import palegate.core.roles.Rights;

/**
 * What the access lists say about places that they treat alike: who is given what, who is denied
 * what. Two classes are equal if they say the same, in whichever snapshot they were made.
 *
 * @param gives one line a subject, in the order of subjects; rights already united
 * @param takes the same for withholdings
 */
record AccessClass(List<Line> gives, List<Line> takes) {
  AccessClass {
    gives = List.copyOf(gives);
    takes = List.copyOf(takes);
  }

  record Line(Subject subject, Rights rights) {
    Line {
      Objects.requireNonNull(subject);
      Objects.requireNonNull(rights);
    }
  }
}
