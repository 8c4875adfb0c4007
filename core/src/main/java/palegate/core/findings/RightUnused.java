package palegate.core.findings;

import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.collections.PersonSet;
import palegate.core.places.Place;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;

/** Grants to read by which nobody has opened anything for long. */
final class RightUnused implements ActivityRule {
  @Override
  public String code() {
    return "right-unused";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "rights to read that nobody uses";
  }

  @Override
  public String matters() {
    return "Nobody would miss it, and it is open to whoever comes into the group.";
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }

  @Override
  public boolean fixesAreSure() {
    return false;
  }

  /** Quiet until openings have been recorded for as long as the limit says. O(openings × entries that reach what was opened, and documents below grants until the first). */
  @Override
  public Stream<Finding> findInActivity(Survey survey) {
    Instant before = survey.now().minus(Duration.ofDays(survey.limits().unusedDays()));
    Activity.Openings openings = survey.activity().openings();
    if (openings == null || openings.from().isAfter(before)) {
      return Stream.empty();
    }
    Set<String> used = used(survey, openings.opened());
    return survey.grants().filter(grant -> !used.contains(grant.id()) && isOld(survey, grant, before) && grant.period().holdsAt(survey.now()) && survey.structure().roles().get(grant.role()).rights().contains(Right.READ)
        && letsSomebodyRead(survey, grant)).map(grant -> new Finding(code(), severity(), "entry:" + grant.id(), "", "Nobody of " + survey.name(grant.subject()) + " has opened anything at "
            + survey.path(grant.place()) + " for " + survey.limits().unusedDays() + " days, though “" + survey.role(grant.role()) + "” lets them.", survey.names(survey.people(grant.subject())), List.of(Fix.of("Remove the entry", EntryEnded.removal(grant)))));
  }

  private static boolean isOld(Survey survey, Grant grant, Instant before) {
    Instant since = survey.activity().grantSince().get(grant.id());
    return since != null && since.isBefore(before) && (grant.period().from() == null || grant.period().from().isBefore(before));
  }

  /** Every grant that let somebody open something, whether or not another would have as well. */
  private static Set<String> used(Survey survey, List<Activity.Opened> opened) {
    Snapshot snapshot = survey.snapshot();
    Map<Integer, Set<Integer>> openers = new HashMap<>();
    for (Activity.Opened one : opened) {
      if (survey.structure().places().containsKey(one.place()) && survey.structure().people().containsKey(one.person())) {
        openers.computeIfAbsent(snapshot.placeNumber(one.place()), any -> new HashSet<>()).add(snapshot.personNumber(one.person()));
      }
    }
    Set<String> used = new HashSet<>();
    openers.forEach((place, people) -> {
      for (Entry entry : snapshot.reachingEntries(place)) {
        if (!used.contains(entry.id()) && entry instanceof Grant grant && touches(grant, snapshot.place(place)) && people.stream().anyMatch(person -> survey.moment().matches(person, grant.subject()))) {
          used.add(entry.id());
        }
      }
    });
    return used;
  }

  private static boolean touches(Grant grant, Place document) {
    return grant.types().isEmpty() || document.type() != null && grant.types().contains(document.type());
  }

  /** Whom a guard keeps from all of it has not left it unread for want of interest. */
  private static boolean letsSomebodyRead(Survey survey, Grant grant) {
    Snapshot snapshot = survey.snapshot();
    PersonSet people = survey.people(grant.subject());
    return !people.isEmpty() && snapshot.below(snapshot.placeNumber(grant.place()))
        .anyMatch(place -> snapshot.isDocument(place) && touches(grant, snapshot.place(place)) && snapshot.reachingEntries(place).contains(grant) && survey.moment().holdersOf(Right.READ, place).intersects(people));
  }
}
