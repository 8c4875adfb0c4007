package palegate.server.journal;

import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.journal.Between;
import palegate.core.rehearsal.FoundPairs;
import palegate.core.rehearsal.RightsDifference;
import palegate.server.lists.PageRequest;
import palegate.server.lists.PairOrder;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.views.PersonView;

/** What everyone gained and lost between two instants, and what did it. */
@RestController
@RequestMapping("/api/journal/between")
class BetweenController {
  /** A change, or the passing of time: then {@code change} and {@code note} are missing. */
  record Cause(@MayBeMissing Long change, @MayBeMissing String note, @MayBeMissing Instant after, @MayBeMissing Instant until) {
    static Cause of(Between.Cause cause, Map<Long, String> notes) {
      if (cause instanceof Between.Cause.OfChange of) {
        return new Cause(of.change(), notes.get(of.change()), null, null);
      }
      Between.Cause.OfTime time = (Between.Cause.OfTime) cause;
      return new Cause(null, null, time.after(), time.until());
    }
  }

  /**
   * One person at one place, with what altered their rights on the way, in order.
   *
   * @param moreCauses how many came after those
   */
  record AlteredBetween(PersonView person, String place, String path, List<String> before, List<String> after, List<Cause> causes, int moreCauses) {
    static AlteredBetween of(Between between, Between.Caused found, Map<Long, String> notes) {
      RightsDifference.Pair pair = found.pair();
      return new AlteredBetween(PersonView.of(pair.person(), between.structureOf(pair.person())), pair.place().id(), pair.path(), pair.before().words(),
          pair.after().words(), found.causes().stream().limit(CAUSES_AT_MOST).map(cause -> Cause.of(cause, notes)).toList(), Math.max(0, found.causes().size() - CAUSES_AT_MOST));
    }
  }

  record BetweenView(Instant from, Instant until, RightsDifference.Totals totals, int changes, Page<AlteredBetween> altered) {}

  static final int CAUSES_AT_MOST = 50;

  private final BetweenComparisons comparisons;

  BetweenController(BetweenComparisons comparisons) {
    this.comparisons = comparisons;
  }

  /**
   * @param asked the end of the span; left out, it is this moment
   * @param below only at this place and below it, before or after
   */
  @GetMapping
  BetweenView between(@RequestParam Instant from, @RequestParam(name = "until", required = false) Instant asked, @RequestParam(required = false) String person,
      @RequestParam(required = false) String place, @RequestParam(required = false) String below, @RequestParam(defaultValue = "false") boolean outsiders, @ParameterObject PageRequest part, Principal who) {
    PageRequest.Order order = part.order("place", "person");
    BetweenComparisons.Compared compared = comparisons.of(from, asked, who.getName());
    Between between = compared.between();
    FoundPairs found = comparisons.find(between, new BetweenComparisons.Narrowing(person, place, below, outsiders, part.text()));
    Page<RightsDifference.Pair> pairs = Page.of(found.count(), found.from(PairOrder.of(order), order.turned(), part.offset()), part.offset(), part.limit(), pair -> pair);
    List<Between.Caused> caused = between.caused(pairs.items().stream()).toList();
    Map<Long, String> notes = comparisons.notes(caused.stream().flatMap(pair -> pair.causes().stream().limit(CAUSES_AT_MOST)).toList(), who.getName());
    Page<AlteredBetween> altered = new Page<>(pairs.total(), pairs.offset(), caused.stream().map(pair -> AlteredBetween.of(between, pair, notes)).toList());
    return new BetweenView(from, compared.until(), between.difference().totals(), comparisons.changes(between, who.getName()), altered);
  }
}
