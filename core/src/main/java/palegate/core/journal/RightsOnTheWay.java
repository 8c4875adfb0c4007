package palegate.core.journal;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.journal.Between.Cause;
import palegate.core.journal.Between.PersonAtPlace;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;

/** The rights of some people at some places, followed from state to state; what alters them is written down. */
final class RightsOnTheWay {
  private final List<PersonAtPlace> pairs;
  private final List<List<Cause>> causes;
  private Snapshot snapshot;
  private Instant since;
  private Rights[] rights;

  RightsOnTheWay(List<PersonAtPlace> pairs, Snapshot first, Instant from) {
    this.pairs = pairs;
    causes = Stream.<List<Cause>>generate(ArrayList::new).limit(pairs.size()).toList();
    snapshot = first;
    since = from;
    rights = rightsAt(from);
  }

  /** A change was put in force, and nothing of it bears on these pairs. */
  void change(Instant at) {
    passTo(at);
  }

  /** A change was put in force and made this state. */
  void change(long number, Instant at, Snapshot made) {
    passTo(at);
    snapshot = made;
    compare(at, new Cause.OfChange(number));
  }

  /** What altered each, up to an instant. */
  List<List<Cause>> until(Instant until) {
    passTo(until);
    return causes;
  }

  private void passTo(Instant instant) {
    if (!snapshot.sameBetween(since, instant)) {
      compare(instant, new Cause.OfTime(since, instant));
    }
    since = instant;
  }

  private void compare(Instant instant, Cause cause) {
    Rights[] now = rightsAt(instant);
    for (int i = 0; i < now.length; i++) {
      if (!now[i].equals(rights[i])) {
        causes.get(i).add(cause);
      }
    }
    rights = now;
  }

  private Rights[] rightsAt(Instant instant) {
    Rights[] now = new Rights[pairs.size()];
    Arrays.setAll(now, i -> {
      int who = snapshot.personNumber(pairs.get(i).person());
      int where = snapshot.placeNumber(pairs.get(i).place());
      return who < 0 || where < 0 ? Rights.NONE : snapshot.at(instant).rights(who, where);
    });
    return now;
  }
}
