package palegate.core.findings;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** Drafts that were begun long ago and wait for nobody. */
final class DraftForgotten implements ActivityRule {
  @Override
  public String code() {
    return "draft-forgotten";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "drafts that were forgotten";
  }

  @Override
  public String matters() {
    return "Somebody thinks that what is in it holds.";
  }

  @Override
  public Stream<Finding> findInActivity(Survey survey) {
    Instant before = survey.now().minus(Duration.ofDays(survey.limits().draftDays()));
    return survey.activity().drafts().stream().filter(draft -> draft.begun().isBefore(before)).sorted(Comparator.comparing(Activity.Draft::id)).map(draft -> new Finding(code(), severity(), "draft:" + draft.id(), "",
        "The draft “" + draft.name() + "” of " + draft.owner() + " has waited since " + Survey.day(draft.begun()) + ".", List.of(draft.changes() + (draft.changes() == 1 ? " change is" : " changes are") + " in it, and none of that is in force."), List.of()));
  }
}
