package palegate.server.statements;

import java.time.Clock;
import java.time.Instant;
import java.util.Locale;
import org.springframework.stereotype.Service;
import palegate.core.snapshot.Snapshot;
import palegate.core.statements.Statement;
import palegate.server.shell.Problem;
import palegate.server.store.Snapshots;

/** Makes statements on the structure as it is, or as it was after an earlier change. */
@Service
class Statements {
  /** Which question is asked. */
  enum About { PLACE, PERSON }

  /** A statement that was asked for, with what its cover says. */
  record Asked(Statement statement, Snapshot snapshot, long change, Instant instant, String title, String fileName, boolean documents) {}

  private final Snapshots snapshots;
  private final Clock clock;

  Statements(Snapshots snapshots, Clock clock) {
    this.snapshots = snapshots;
    this.clock = clock;
  }

  Asked ask(About about, String id, boolean documents) {
    Snapshots.Numbered state = snapshots.current();
    Snapshot snapshot = state.snapshot();
    boolean place = about == About.PLACE;
    int number = place ? snapshot.placeNumber(id) : snapshot.personNumber(id);
    if (number < 0) {
      throw Problem.notFound(place ? "place" : "person", id);
    }
    Instant now = clock.instant();
    Statement.Scope scope = place ? new Statement.Scope.PlaceAndBelow(number) : new Statement.Scope.OnePerson(number);
    String name = place ? snapshot.pathText(number) : snapshot.person(number).name();
    String title = place ? "Who can reach " + name + " and what is below it" : "What " + name + " can reach";
    String fileName = name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
    return new Asked(new Statement(snapshot, now, scope, documents), snapshot, state.change(), now, title, fileName, documents);
  }
}
