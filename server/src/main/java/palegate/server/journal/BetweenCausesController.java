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
import palegate.core.journal.BetweenByCause;
import palegate.server.lists.PageRequest;
import palegate.server.shell.Page;
import palegate.server.views.PersonView;

/** What differs between two instants, put together: change by change, then person by person, then place by place. */
@RestController
@RequestMapping("/api/journal/between/causes")
class BetweenCausesController {
  /** What one change, or the passing of time, had to do with. */
  record CauseGroup(BetweenController.Cause cause, int people, int gaining, int losing, int places) {}

  /** Of one person, at how many places: {@code gaining} and {@code losing} of them. */
  record PersonBetween(PersonView person, int places, int gaining, int losing) {}

  private final BetweenComparisons comparisons;

  BetweenCausesController(BetweenComparisons comparisons) {
    this.comparisons = comparisons;
  }

  /** The latest first, then what time did. */
  @GetMapping
  Page<CauseGroup> causes(@RequestParam Instant from, @RequestParam(required = false) Instant until, @RequestParam(required = false) String below, @RequestParam(defaultValue = "false") boolean outsiders,
      @ParameterObject PageRequest part, Principal who) {
    List<BetweenByCause.Group> groups = comparisons.byCause(comparisons.of(from, until, who.getName()).between(), narrowing(below, outsiders)).groups();
    Map<Long, String> notes = comparisons.notes(groups.stream().map(BetweenByCause.Group::cause).toList(), who.getName());
    return Page.of(groups.stream().map(one -> new CauseGroup(BetweenController.Cause.of(one.cause(), notes), one.people(), one.gaining(), one.losing(), one.places()))
        .filter(one -> part.takes(one.cause().note() == null ? "" : one.cause().note(), String.valueOf(one.cause().change()))).toList(), part.offset(), part.limit(), one -> one);
  }

  /**
   * Whoever one of them had to do with, by name.
   *
   * @param change which; or {@code after} and {@code to}, as they are given of what time did; left out, all of them
   */
  @GetMapping("/people")
  Page<PersonBetween> people(@RequestParam Instant from, @RequestParam(required = false) Instant until, @RequestParam(required = false) String below, @RequestParam(defaultValue = "false") boolean outsiders,
      @RequestParam(required = false) Long change, @RequestParam(required = false) Instant after, @RequestParam(required = false) Instant to, @ParameterObject PageRequest part, Principal who) {
    Between between = comparisons.of(from, until, who.getName()).between();
    return Page.of(comparisons.byCause(between, narrowing(below, outsiders)).people(cause(change, after, to)).stream().filter(one -> part.takes(one.person().name())).toList(), part.offset(), part.limit(),
        one -> new PersonBetween(PersonView.of(one.person(), between.structureOf(one.person())), one.places(), one.gaining(), one.losing()));
  }

  /** Where it differs for one of them, in tree order. */
  @GetMapping("/places")
  Page<BetweenController.AlteredBetween> places(@RequestParam Instant from, @RequestParam(required = false) Instant until, @RequestParam(required = false) String below, @RequestParam(defaultValue = "false") boolean outsiders,
      @RequestParam(required = false) Long change, @RequestParam(required = false) Instant after, @RequestParam(required = false) Instant to, @RequestParam String person, @ParameterObject PageRequest part, Principal who) {
    Between between = comparisons.of(from, until, who.getName()).between();
    List<Between.Caused> places = comparisons.byCause(between, narrowing(below, outsiders)).places(cause(change, after, to), person).stream().filter(one -> part.takes(one.pair().path())).toList();
    Map<Long, String> notes = comparisons.notes(part.of(places).stream().flatMap(one -> one.causes().stream().limit(BetweenController.CAUSES_AT_MOST)).toList(), who.getName());
    return Page.of(places, part.offset(), part.limit(), one -> BetweenController.AlteredBetween.of(between, one, notes));
  }

  private static BetweenComparisons.Narrowing narrowing(String below, boolean outsiders) {
    return new BetweenComparisons.Narrowing(null, null, below, outsiders, "");
  }

  private static Between.Cause cause(Long change, Instant after, Instant to) {
    return change != null ? new Between.Cause.OfChange(change) : after != null && to != null ? new Between.Cause.OfTime(after, to) : null;
  }
}
