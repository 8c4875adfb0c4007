package palegate.core.findings;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import palegate.core.changes.AccessChange;
import palegate.core.changes.DraftApplication;
import palegate.core.questions.BreakRegister;
import palegate.core.questions.NewDocuments;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.snapshot.Snapshot;

/** Breaks that do nothing. */
final class BreakSameAsParent implements Rule {
  @Override
  public String code() {
    return "break-same-as-parent";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "breaks that do nothing";
  }

  @Override
  public String matters() {
    return "What changes above will not reach it, and nobody expects that.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return breaks(survey).filter(one -> one.sameAsParent() && altered(survey).get(one.place().id()) == 0 && nothingPutInLater(survey, one)).map(one -> new Finding(code(), severity(), "place:" + one.place().id(), "", survey.path(one.place().id()) + " stands alone, and everybody has there and below what they would have without that.",
        List.of(one.entries() + (one.entries() == 1 ? " entry" : " entries") + " of its own."), List.of(rejoin(one))));
  }

  static Stream<BreakRegister.Break> breaks(Survey survey) {
    return survey.once("breaks", () -> register(survey)).stream();
  }

  private static List<BreakRegister.Break> register(Survey survey) {
    return survey.structure().repository().stream().flatMap(root -> BreakRegister.of(survey.moment(), survey.snapshot().placeNumber(root.id())).stream()).sorted(Comparator.comparing((BreakRegister.Break one) -> one.place().id())).toList();
  }

  /** How many people would have something else there or below if a break followed, for those that do little at the place itself. */
  static Map<String, Integer> altered(Survey survey) {
    return survey.once("breaks that do little", () -> {
      int most = survey.limits().nearlySamePeople();
      List<BreakRegister.Break> some = breaks(survey).filter(one -> one.adds() <= most && one.removes() <= most).toList();
      return List.of(some.parallelStream().collect(Collectors.toMap(one -> one.place().id(), one -> Rehearsal.of(survey.snapshot(), rejoin(one).changes(), survey.now(), null).now().people().size())));
    }).get(0);
  }

  /** Nor could anybody do anything else with documents that are not there yet. */
  private static boolean nothingPutInLater(Survey survey, BreakRegister.Break one) {
    Snapshot following = survey.snapshot().next(DraftApplication.of(survey.snapshot(), rejoin(one).changes(), survey.now()).difference());
    return NewDocuments.alike(survey.moment(), following.at(survey.now()), List.of(one.place().id()));
  }

  static Fix rejoin(BreakRegister.Break one) {
    return Fix.of("Let it follow what is above again", new AccessChange.RejoinPlace(one.place().id(), false));
  }
}
