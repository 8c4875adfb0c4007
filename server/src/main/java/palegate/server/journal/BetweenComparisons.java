package palegate.server.journal;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import palegate.core.journal.Between;
import palegate.core.journal.BetweenByCause;
import palegate.core.people.Person;
import palegate.core.rehearsal.FoundPairs;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Rights;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.shell.Problem;
import palegate.server.store.ChangeLog;
import palegate.server.store.History;
import palegate.server.store.StateCaches;
import palegate.server.store.WeighedCache;
import palegate.server.viewpoint.KnownBetween;
import palegate.server.viewpoint.KnownChanges;
import palegate.server.viewpoint.Viewpoints;

/** Comparisons of two instants as somebody may know them; the pages of one are asked for within moments of each other. */
@Component
class BetweenComparisons {
  /** Put together by what did it, so many lines are worked out; of more the filters have to leave something out. */
  private static final int GROUPED_AT_MOST = 200_000;
  /** Of a long history what did each takes longer to find. */
  private static final int OF_MANY_CHANGES_AT_MOST = 20_000;

  /** @param outsiders only people from outside */
  record Narrowing(String person, String place, String below, boolean outsiders, String text) {}

  /**
   * A span of the past.
   *
   * @param until the end, which is this moment if it was left out: the clock of the one who asks does not matter
   */
  record Compared(Instant from, Instant until, Between between) {}

  private static final Duration KEPT_FOR = Duration.ofMinutes(2);

  private record Key(Instant from, Instant until, Viewpoint viewpoint) {}

  private record ListKey(RightsDifference difference, Narrowing narrowing) {}

  private final KnownBetween knownBetween;
  private final ChangeLog log;
  private final Viewpoints viewpoints;
  private final KnownChanges changes;
  private final Clock clock;
  /** All together hold so many states as one may: some 0.3 to 1.1 MB each at a million documents. */
  private final WeighedCache<Key, Between> comparisons;
  private final WeighedCache<ListKey, FoundPairs> lists;
  /** A line takes some 300 bytes; the key of one that is refused, or has few lines, holds a whole difference all the same. */
  private final WeighedCache<ListKey, Optional<BetweenByCause>> grouped;

  BetweenComparisons(KnownBetween knownBetween, ChangeLog log, Viewpoints viewpoints, KnownChanges changes, StateCaches caches, Clock clock) {
    this.knownBetween = knownBetween;
    this.log = log;
    this.viewpoints = viewpoints;
    this.changes = changes;
    this.clock = clock;
    comparisons = caches.kept(new WeighedCache<>(History.CHANGES_AT_MOST + 1, KEPT_FOR, Between::statesHeld));
    lists = caches.few(4, KEPT_FOR);
    grouped = caches.kept(new WeighedCache<>(2L * GROUPED_AT_MOST, KEPT_FOR, one -> Math.max(GROUPED_AT_MOST / 4, one.map(BetweenByCause::lines).orElse(0))));
  }

  Compared of(Instant from, Instant asked, String account) {
    Instant now = clock.instant();
    Instant until = asked == null ? now : asked;
    if (until.isBefore(from) || until.isAfter(now)) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "no-such-span", "Not a span of the past",
          "The second day must not be before the first, and not in the future. Choose others.");
    }
    return new Compared(from, until, comparisons.get(new Key(from, until, viewpoints.of(account)), key -> knownBetween.of(account, from, until)));
  }

  FoundPairs find(Between between, Narrowing narrowing) {
    return lists.get(new ListKey(between.difference(), narrowing), any -> between.difference().find(
        new FoundPairs.Wanted(true, true, Rights.ALL, one -> takes(narrowing, one), narrowing.place(), narrowing.below(), narrowing.text())));
  }

  private static boolean takes(Narrowing narrowing, Person one) {
    return (narrowing.person() == null || narrowing.person().equals(one.id())) && (!narrowing.outsiders() || one.external());
  }

  /** The same, put together by what did it. */
  BetweenByCause byCause(Between between, Narrowing narrowing) {
    int atMost = between.changes() > History.CHANGES_AT_MOST ? OF_MANY_CHANGES_AT_MOST : GROUPED_AT_MOST;
    return grouped.get(new ListKey(between.difference(), narrowing), any -> BetweenByCause.of(between, find(between, narrowing), atMost))
        .orElseThrow(() -> Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "too-many-lines", "Too much to be put together", "More than " + atMost + " lines differ. Take a part of the repository, outsiders alone, or fewer days."));
  }

  /** What is told of changes: of one that is known in part, not its note. */
  Map<Long, String> notes(List<Between.Cause> causes, String account) {
    Map<Long, KnownChanges.Known> known = changes.to(account);
    Map<Long, String> notes = log.notes(causes.stream().filter(cause -> cause instanceof Between.Cause.OfChange).map(cause -> ((Between.Cause.OfChange) cause).change()).distinct().toList());
    if (known != null) {
      notes.replaceAll((number, note) -> known.get(number) == KnownChanges.Known.ALL ? note : KnownChanges.PARTLY);
    }
    return notes;
  }

  /** How many changes of which one may know lie in between. */
  int changes(Between between, String account) {
    Map<Long, KnownChanges.Known> known = changes.to(account);
    return known == null ? between.changes() : (int) between.numbers().filter(known::containsKey).count();
  }
}
