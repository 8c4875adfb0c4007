package palegate.server.journal;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.journal.Between;
import palegate.core.rehearsal.FoundPairs;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Rights;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.lists.PageRequest;
import palegate.server.lists.PairOrder;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.store.ChangeLog;
import palegate.server.store.History;
import palegate.server.viewpoint.KnownBetween;
import palegate.server.viewpoint.KnownChanges;
import palegate.server.viewpoint.Viewpoints;
import palegate.server.views.PersonView;

/** What everyone gained and lost between two instants, and what did it. */
@RestController
@RequestMapping("/api/journal/between")
class BetweenController {
  /** A change, or the passing of time: then {@code change} and {@code note} are missing. */
  record Cause(@MayBeMissing Long change, @MayBeMissing String note, @MayBeMissing Instant after, @MayBeMissing Instant until) {}

  /**
   * One person at one place, with what altered their rights on the way, in order.
   *
   * @param moreCauses how many came after those
   */
  record AlteredBetween(PersonView person, String place, String path, List<String> before, List<String> after, List<Cause> causes, int moreCauses) {}

  record BetweenView(Instant from, Instant until, RightsDifference.Totals totals, int changes, Page<AlteredBetween> altered) {}

  private static final int CAUSES_AT_MOST = 50;

  private record Key(Instant from, Instant until, Viewpoint viewpoint) {}

  private record ListKey(RightsDifference difference, String person, String place, String text) {}

  private final KnownBetween knownBetween;
  private final ChangeLog log;
  private final Viewpoints viewpoints;
  private final KnownChanges changes;
  private final Clock clock;
  /**
   * The pages of one comparison are asked for within moments of each other. All together hold so many states as one may: some 0.3 to 1.1
   * MB each at a million documents.
   */
  private final Cache<Key, Between> comparisons = Caffeine.newBuilder().maximumWeight(History.CHANGES_AT_MOST + 1)
      .weigher((Key key, Between between) -> between.statesHeld()).expireAfterWrite(Duration.ofMinutes(2)).build();
  private final Cache<ListKey, FoundPairs> lists = Caffeine.newBuilder().maximumSize(4).expireAfterAccess(Duration.ofMinutes(2)).build();

  BetweenController(KnownBetween knownBetween, ChangeLog log, Viewpoints viewpoints, KnownChanges changes, Clock clock) {
    this.knownBetween = knownBetween;
    this.log = log;
    this.viewpoints = viewpoints;
    this.changes = changes;
    this.clock = clock;
  }

  /** @param asked the end of the span; left out, it is this moment, so that the clock of the one who asks does not matter */
  @GetMapping
  BetweenView between(@RequestParam Instant from, @RequestParam(name = "until", required = false) Instant asked, @RequestParam(required = false) String person,
      @RequestParam(required = false) String place, @ParameterObject PageRequest part, Principal who) {
    PageRequest.Order order = part.order("place", "person");
    Instant now = clock.instant();
    Instant until = asked == null ? now : asked;
    if (until.isBefore(from) || until.isAfter(now)) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "no-such-span", "Not a span of the past",
          "The second day must not be before the first, and not in the future. Choose others.");
    }
    Between between = comparisons.get(new Key(from, until, viewpoints.of(who.getName())), key -> knownBetween.of(who.getName(), from, until));
    Map<Long, KnownChanges.Known> known = changes.to(who.getName());
    RightsDifference difference = between.difference();
    FoundPairs found = lists.get(new ListKey(difference, person, place, part.text()), any -> difference.find(
        new FoundPairs.Wanted(true, true, Rights.ALL, one -> person == null || person.equals(one.id()), place, part.text())));
    Page<RightsDifference.Pair> pairs = Page.of(found.count(), found.from(PairOrder.of(order), order.turned(), part.offset()), part.offset(), part.limit(), pair -> pair);
    List<Between.Caused> caused = between.caused(pairs.items().stream()).toList();
    Map<Long, String> notes = log.notes(caused.stream().flatMap(pair -> pair.causes().stream().limit(CAUSES_AT_MOST)).filter(cause -> cause instanceof Between.Cause.OfChange)
        .map(cause -> ((Between.Cause.OfChange) cause).change()).distinct().toList());
    if (known != null) {
      notes.replaceAll((number, note) -> known.get(number) == KnownChanges.Known.ALL ? note : KnownChanges.PARTLY);
    }
    Page<AlteredBetween> altered = new Page<>(pairs.total(), pairs.offset(), caused.stream().map(pair -> view(between, pair, notes)).toList());
    return new BetweenView(from, until, difference.totals(), known == null ? between.changes() : (int) between.numbers().filter(known::containsKey).count(), altered);
  }

  private AlteredBetween view(Between between, Between.Caused found, Map<Long, String> notes) {
    RightsDifference.Pair pair = found.pair();
    return new AlteredBetween(PersonView.of(pair.person(), between.structureOf(pair.person())), pair.place().id(), pair.path(), pair.before().words(),
        pair.after().words(), found.causes().stream().limit(CAUSES_AT_MOST).map(cause -> view(cause, notes)).toList(), Math.max(0, found.causes().size() - CAUSES_AT_MOST));
  }

  private static Cause view(Between.Cause cause, Map<Long, String> notes) {
    if (cause instanceof Between.Cause.OfChange of) {
      return new Cause(of.change(), notes.get(of.change()), null, null);
    }
    Between.Cause.OfTime time = (Between.Cause.OfTime) cause;
    return new Cause(null, null, time.after(), time.until());
  }
}
