package palegate.core.findings;

import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import palegate.core.changes.GuardChange;
import palegate.core.places.Conditions;
import palegate.core.places.Place;

/** Documents that somebody keeps to themselves for too long. */
final class ConditionTooLong implements Rule {
  @Override
  public String code() {
    return "condition-too-long";
  }

  @Override
  public Severity severity() {
    return Severity.SERIOUS;
  }

  @Override
  public String title() {
    return "documents that somebody keeps to themselves for too long";
  }

  @Override
  public String matters() {
    return "While it is checked out, frozen or private nobody else can go on with it.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    Instant since = survey.now().minus(Duration.ofDays(survey.limits().checkedOutDays()));
    return survey.ofPlaces("checked out", place -> place.conditions().checkedOutAt() != null).stream().sorted(Comparator.comparing(Place::id)).filter(place -> place.conditions().checkedOutAt().isBefore(since))
        .map(place -> new Finding(code(), severity(), "place:" + place.id(), "", survey.path(place.id()) + " has been checked out by " + survey.structure().people().get(place.conditions().checkedOutBy()).name() + " for "
            + Duration.between(place.conditions().checkedOutAt(), survey.now()).toDays() + " days.", List.of(), List.of(Fix.of("Take it back", new GuardChange.Release(place.id(), Conditions.Condition.CHECKED_OUT)))));
  }

  /** A structure says since when a document is checked out, and not since when it is private or frozen. */
  @Override
  public Stream<Finding> findInActivity(Survey survey) {
    return Stream.of(Conditions.Condition.PRIVATE, Conditions.Condition.FROZEN).flatMap(condition -> survey.activity().conditionSince().getOrDefault(condition, Map.of()).entrySet().stream().sorted(Map.Entry.comparingByKey())
        .filter(each -> each.getValue().isBefore(survey.now().minus(Duration.ofDays(survey.limits().checkedOutDays()))) && Optional.ofNullable(survey.structure().places().get(each.getKey())).filter(place -> place.conditions().has(condition)).isPresent())
        .map(each -> new Finding(code(), severity(), "place:" + each.getKey(), condition.words(), survey.path(each.getKey()) + " has been " + condition.words() + " for " + Duration.between(each.getValue(), survey.now()).toDays() + " days.",
            List.of("Since " + Survey.day(each.getValue()) + "."), List.of(Fix.of("Release it", new GuardChange.Release(each.getKey(), condition))))));
  }
}
