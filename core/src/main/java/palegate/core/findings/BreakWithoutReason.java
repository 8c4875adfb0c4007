package palegate.core.findings;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;

/** Breaks of which nobody said why. */
final class BreakWithoutReason implements ActivityRule {
  @Override
  public String code() {
    return "break-without-reason";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "breaks of which nobody said why";
  }

  @Override
  public String matters() {
    return "Nobody dares to let it follow again, and nobody knows whether it still must not.";
  }

  @Override
  public Stream<Finding> findInActivity(Survey survey) {
    return survey.activity().unexplainedBreaks().entrySet().stream().sorted(Map.Entry.comparingByKey()).filter(each -> standsAlone(survey, each.getKey())).map(each -> finding(survey, each.getKey(), each.getValue()));
  }

  private static boolean standsAlone(Survey survey, String place) {
    return survey.structure().places().containsKey(place) && survey.structure().places().get(place).standsAlone() && survey.structure().places().get(place).parent() != null;
  }

  private Finding finding(Survey survey, String place, Instant since) {
    return new Finding(code(), severity(), "place:" + place, "", survey.path(place) + " stands alone, and it is not said why.", List.of("Since " + Survey.day(since) + ".", "If it is meant so, say why: the reason is kept with it."), List.of());
  }
}
