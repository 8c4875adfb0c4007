package palegate.server.walk;

import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import palegate.core.papers.FoundPlaces;
import palegate.core.people.Person;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.walk.Walk;
import palegate.server.drafts.Drafts;
import palegate.server.session.Accounts;
import palegate.server.session.Mailbox;
import palegate.server.shell.Problem;
import palegate.server.store.History;
import palegate.server.store.StateCaches;
import palegate.server.store.Transactions;
import palegate.server.store.WalkRecords;
import palegate.server.store.WeighedCache;
import palegate.server.viewpoint.Viewpoints;

/** Walks that were begun, through the states that they may go through: in force, of an earlier day, of the walker's draft. */
@Component
class Walks {
  /** A walk goes on for so long before it is to be begun, and written down, again. */
  private static final Duration LASTS = Duration.ofHours(12);
  private static final int KEPT_AT_MOST = 64;

  private record Key(SnapshotAt at, int person) {}

  private final Drafts drafts;
  private final Viewpoints viewpoints;
  private final History history;
  private final WalkRecords records;
  private final Accounts accounts;
  private final Mailbox mailbox;
  private final Transactions transactions;
  private final Clock clock;
  /** Two bits a place for each walk. */
  private final WeighedCache<Key, FoundPlaces> kept;

  Walks(Drafts drafts, Viewpoints viewpoints, History history, WalkRecords records, Accounts accounts, Mailbox mailbox, Transactions transactions, StateCaches caches, Clock clock) {
    this.drafts = drafts;
    this.viewpoints = viewpoints;
    this.history = history;
    this.records = records;
    this.accounts = accounts;
    this.mailbox = mailbox;
    this.transactions = transactions;
    this.clock = clock;
    kept = caches.few(KEPT_AT_MOST, Duration.ofMinutes(5));
  }

  /** Writes down that a walk begins; refuses a person whom the walker may not know as if they did not exist. */
  void begin(Principal who, String person, String reason) {
    Person as = known(who, person);
    String name = accounts.nameOf(who.getName());
    Instant now = clock.instant();
    // Begun again while it goes on, it is the same walk.
    boolean told = as.email() != null && !records.begunSince(who.getName(), person, now.minus(LASTS)) && !person.equals(viewpoints.asker(who.getName()).id()) && records.telling().filter(WalkRecords.Telling::tells).isPresent();
    transactions.write(() -> {
      records.add(who.getName(), name, person, now, reason);
      if (told) {
        // Why is not told: a reason may name anything.
        mailbox.send(as.email(), "Somebody walks as you", name + " looks at the repository as you have it. Nothing can be done there in your name, and no document is opened. Ask " + name + " if you want to know why.", now);
      }
      return told;
    });
  }

  /** One of the states that somebody walks through, on a walk that was begun. */
  Walk of(Principal who, String person, Instant day, boolean drafted) {
    known(who, person);
    if (!records.begunSince(who.getName(), person, clock.instant().minus(LASTS))) {
      throw Problem.of(HttpStatus.CONFLICT, "walk-not-begun", "The walk has not begun", "Begin it first, and say why: it is written down who walks as whom.");
    }
    return walk(who, person, day, drafted);
  }

  private Walk walk(Principal who, String person, Instant day, boolean drafted) {
    Instant now = clock.instant();
    Snapshot snapshot = day != null && day.isBefore(now) ? viewpoints.known(who.getName(), history.at(day)).snapshot() : drafts.shown(who.getName(), drafted);
    SnapshotAt at = snapshot.at(day == null ? now : day);
    int number = snapshot.personNumber(person);
    if (number < 0) {
      throw Problem.notFound("person", person);
    }
    // A state of another day is not held on to for the sake of what is found in it.
    FoundPlaces theirs = day == null ? kept.get(new Key(at, number), key -> FoundPlaces.of(at, number)) : FoundPlaces.of(at, number);
    return Walk.through(theirs, number, viewpoints.asker(who.getName()));
  }

  /** One's own last walks as a person. Those of others have reasons that may name anything. */
  List<WalkRecords.Begun> earlier(Principal who, String person, int atMost) {
    return records.as(person, who.getName(), atMost);
  }

  private Person known(Principal who, String person) {
    Person known = viewpoints.known(who.getName()).snapshot().structure().people().get(person);
    if (known == null) {
      throw Problem.notFound("person", person);
    }
    return known;
  }
}
