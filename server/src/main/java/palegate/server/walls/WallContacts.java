package palegate.server.walls;

import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;
import palegate.core.collections.PersonSet;
import palegate.core.journal.Between;
import palegate.core.snapshot.Snapshot;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.Barring;
import palegate.core.wallsatwork.PossibleContact;
import palegate.server.store.History;
import palegate.server.store.Openings;
import palegate.server.store.StateCaches;
import palegate.server.store.WeighedCache;

/**
 * Who among those whom a wall keeps out could have been inside, and who has been. Both are told of people and documents that the asker may
 * know today: what these had earlier is then theirs to know as well.
 */
@Component
class WallContacts {
  /** @param whole whether the history that was looked at is all there is */
  record Possible(Instant from, Instant until, boolean whole, List<PossibleContact> people) {}

  /** What was opened since is known after that. */
  private static final Duration KEPT_FOR = Duration.ofMinutes(2);

  private record Key(Snapshot state, Wall wall) {}

  private final WeighedCache<Key, Possible> kept;
  private final WallsAtWork walls;
  private final History history;
  private final Openings openings;
  private final Clock clock;

  WallContacts(WallsAtWork walls, History history, Openings openings, StateCaches caches, Clock clock) {
    this.walls = walls;
    this.history = history;
    this.openings = openings;
    this.clock = clock;
    kept = caches.few(16, KEPT_FOR);
  }

  /**
   * Over the whole history, of which only what bears on these people and documents is made; over the last {@link History#CHANGES_AT_MOST}
   * changes, if more was altered than is held at once. Once a state.
   */
  Possible possible(String id, Principal who) {
    WallsAtWork.Worked worked = walls.worked(id, who);
    Snapshot state = worked.standing().with().snapshot();
    Instant until = clock.instant();
    return kept.compute(new Key(state, worked.standing().wall()), (key, known) -> known != null && Duration.between(known.until(), until).compareTo(KEPT_FOR) < 0 ? known : possible(state, worked, until));
  }

  private Possible possible(Snapshot state, WallsAtWork.Worked worked, Instant until) {
    return history.wayOfAll(until).map(way -> {
      Instant from = history.madeAt(way.first().change());
      return new Possible(from, until, true, PossibleContact.of(state, worked.standing().barrings(), way.first().snapshot(), way.made(), from, until));
    }).orElseGet(() -> {
      List<Between.State> states = history.lastBefore(until);
      Instant from = states.get(0).since();
      return new Possible(from, until, states.get(0).change() == 1, PossibleContact.of(state, worked.standing().barrings(), states, from, until));
    });
  }

  /** What anybody whom it keeps out has opened inside, or taken a copy of. */
  List<Openings.Opened> opened(WallsAtWork.Worked worked) {
    Snapshot snapshot = worked.standing().with().snapshot();
    List<Openings.Opened> opened = new ArrayList<>();
    for (Barring barring : Barring.disjoint(worked.standing().barrings())) {
      List<String> documents = barring.places().stream().filter(snapshot::isDocument).mapToObj(place -> snapshot.place(place).id()).toList();
      PersonSet people = barring.people();
      opened.addAll(openings.byPersonAndDocument(documents, snapshot.inOrder(people.stream()).mapToObj(person -> snapshot.person(person).id()).toList()));
    }
    return opened;
  }
}
