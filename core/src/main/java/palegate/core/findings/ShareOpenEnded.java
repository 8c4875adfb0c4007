package palegate.core.findings;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.ShareChange;
import palegate.core.people.Period;
import palegate.core.shares.SharingLimits;

/** What is shared without an end. */
final class ShareOpenEnded implements Rule {
  @Override
  public String code() {
    return "share-open-ended";
  }

  @Override
  public Severity severity() {
    return Severity.SERIOUS;
  }

  @Override
  public String title() {
    return "shares without an end";
  }

  @Override
  public String matters() {
    return "What was meant for a week goes on for years, and nobody looks at it again.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.grants().filter(grant -> grant.isShare() && grant.pass() == null && grant.period().until() == null).map(grant -> {
      int days = SharingLimits.at(survey.snapshot(), survey.snapshot().placeNumber(grant.place())).usualDays();
      Grant ending = grant.lasting(new Period(grant.period().from(), later(survey, grant).plus(Duration.ofDays(days))));
      String by = grant.sharedBy() == null || !survey.structure().people().containsKey(grant.sharedBy()) ? "Somebody" : survey.structure().people().get(grant.sharedBy()).name();
      return new Finding(code(), severity(), "entry:" + grant.id(), "", by + " shares " + survey.path(grant.place()) + " with " + survey.name(grant.subject()) + " (“" + survey.role(grant.role()) + "”) without an end.", survey.names(survey.people(grant.subject())),
          List.of(Fix.of("Let it end in " + days + " days", new AccessChange.RemoveGrant(grant.place(), grant.id()), AccessChange.adding(ending)),
              Fix.of("Take it back", new ShareChange.TakeBackShare(grant.place(), grant.id()))));
    });
  }

  /** Whoever kept a place by a share alone would be missed. */
  @Override
  public boolean fixesAreSure() {
    return false;
  }

  /** What is still to begin lasts from then on. */
  private static Instant later(Survey survey, Grant grant) {
    return grant.period().from() != null && grant.period().from().isAfter(survey.now()) ? grant.period().from() : survey.now();
  }
}
