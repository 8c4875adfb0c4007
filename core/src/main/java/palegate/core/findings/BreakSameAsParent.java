package palegate.core.findings;

import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;
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

  /**
   * A break that does little at the place itself.
   *
   * @param altered how many people would have something else there or below if it followed
   * @param needless whether nobody would, with documents that are not there yet neither
   */
  record Little(BreakRegister.Break it, int altered, boolean needless) {}

  @Override
  public Stream<Finding> find(Survey survey) {
    return doingLittle(survey).filter(Little::needless).map(Little::it).map(one -> new Finding(code(), severity(), "place:" + one.place().id(), "", survey.path(one.place().id()) + " stands alone, and everybody has there and below what they would have without that.",
        List.of(one.entries() + (one.entries() == 1 ? " entry" : " entries") + " of its own."), List.of(rejoin(one))));
  }

  /** Breaks that do something to few people at the place itself, in order of their places. */
  static Stream<Little> doingLittle(Survey survey) {
    return survey.byPlace("breaks that do little", (Little one) -> one.it().place().id(), places -> look(survey, places)).stream().sorted(Comparator.comparing(one -> one.it().place().id()));
  }

  private static List<Little> look(Survey survey, IntStream places) {
    Snapshot snapshot = survey.snapshot();
    int most = survey.limits().nearlySamePeople();
    List<Integer> breaks = places.filter(place -> snapshot.parent(place) >= 0 && snapshot.standsAlone(place)).boxed().toList();
    return breaks.parallelStream().map(place -> BreakRegister.at(survey.moment(), place)).filter(one -> one.adds() <= most && one.removes() <= most).map(one -> {
      int altered = Rehearsal.of(snapshot, rejoin(one).changes(), survey.now(), null).now().people().size();
      return new Little(one, altered, altered == 0 && one.sameAsParent() && nothingPutInLater(survey, one));
    }).toList();
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
