package palegate.server.statements;

import java.time.Clock;
import java.time.Instant;
import java.util.Locale;
import org.springframework.stereotype.Service;
import palegate.core.snapshot.Snapshot;
import palegate.core.statements.Statement;
import palegate.server.shell.Problem;
import palegate.server.store.History;
import palegate.server.store.Snapshots;
import palegate.server.viewpoint.Viewpoints;

/** Makes statements on the structure as it is, or as it was after an earlier change. */
@Service
class Statements {
  /** Which question is asked. */
  enum About { PLACE, PERSON }

  /** A statement that was asked for, with what its cover says; {@code ahead} if it is about an instant that has not come. */
  record Asked(Statement statement, Snapshot snapshot, long change, Instant instant, boolean ahead, String title, String fileName, boolean documents) {}

  private final Viewpoints viewpoints;
  private final History history;
  private final Clock clock;

  Statements(Viewpoints viewpoints, History history, Clock clock) {
    this.viewpoints = viewpoints;
    this.history = history;
    this.clock = clock;
  }

  /**
   * @param at an instant of the past, for what held then, or of the future, for what will hold then if nothing is changed: what begins and
   *     ends by date has begun and ended; null for now
   * @param account of what its owner may know
   */
  Asked ask(About about, String id, boolean documents, Instant at, String account) {
    Instant now = clock.instant();
    Instant asked = at == null ? now : at;
    boolean earlier = asked.isBefore(now);
    Snapshots.Numbered state = earlier ? viewpoints.known(account, history.at(asked)) : viewpoints.known(account);
    Snapshot snapshot = state.snapshot();
    boolean place = about == About.PLACE;
    int number = place ? snapshot.placeNumber(id) : snapshot.personNumber(id);
    if (number < 0) {
      throw Problem.notFound(place ? "place" : "person", id);
    }
    Statement.Scope scope = place ? new Statement.Scope.PlaceAndBelow(number) : new Statement.Scope.OnePerson(number);
    String name = place ? snapshot.pathText(number) : snapshot.person(number).name();
    String title = place ? "Who can reach " + name + " and what is below it" : "What " + name + " can reach";
    String fileName = name.toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
    return new Asked(new Statement(snapshot, asked, scope, documents), snapshot, state.change(), asked, asked.isAfter(now), title, fileName, documents);
  }
}
