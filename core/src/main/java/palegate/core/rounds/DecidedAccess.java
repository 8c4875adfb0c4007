package palegate.core.rounds;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.UnaryOperator;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/**
 * What makes somebody have something else at a place, or nothing, by entries of that place alone: their own entries by name are replaced, and
 * what they have from above or through a group is withheld from them there, now and for the time to come. Nobody else is touched, and no group.
 */
final class DecidedAccess {
  private static final String NOTE = "Decided in a review";

  private final SnapshotAt moment;
  private final String place;
  private final Subject.OfPerson person;
  private final UnaryOperator<String> newId;
  private final List<Change> changes = new ArrayList<>();
  private final List<Grant> byName = new ArrayList<>();
  private final List<Withholding> withheldByName = new ArrayList<>();
  /** What others' entries and those from above give, at whatever time and for whatever type. */
  private Rights otherwise = Rights.NONE;
  /** What they give now and for every type. */
  private Rights otherwiseNow = Rights.NONE;

  private DecidedAccess(SnapshotAt moment, ReviewItem item, UnaryOperator<String> newId) {
    this.moment = moment;
    this.newId = newId;
    place = item.container();
    person = (Subject.OfPerson) item.subject();
    Snapshot snapshot = moment.snapshot();
    int number = snapshot.personNumber(person.id());
    for (Entry entry : snapshot.reachingEntries(snapshot.placeNumber(place))) {
      boolean matches = entry.subject().equals(person) || moment.matches(number, entry.subject());
      if (entry.period().endedBy(moment.instant()) || !matches && !(entry.subject() instanceof Subject.OfGroup group && isInLater(group.id()))) {
        continue;
      }
      boolean own = entry.subject().equals(person) && entry.place().equals(place);
      if (own && entry instanceof Grant grant) {
        byName.add(grant);
      } else if (own) {
        withheldByName.add((Withholding) entry);
      } else if (entry instanceof Grant) {
        otherwise = otherwise.union(snapshot.rightsOf(entry));
        otherwiseNow = matches && entry.types().isEmpty() && entry.period().holdsAt(moment.instant()) ? otherwiseNow.union(snapshot.rightsOf(entry)) : otherwiseNow;
      }
    }
  }

  /** By memberships of which some are still to begin; whether they ever hold together does not matter: what is withheld in vain takes nothing. */
  private boolean isInLater(String top) {
    Set<String> seen = new HashSet<>();
    Deque<String> open = new ArrayDeque<>(List.of(top));
    while (!open.isEmpty()) {
      String group = open.pop();
      if (seen.add(group)) {
        for (Membership one : moment.snapshot().structure().groups().get(group).members()) {
          if (!one.period().endedBy(moment.instant())) {
            if (one.member() instanceof Membership.PersonMember member && member.id().equals(person.id())) {
              return true;
            }
            if (one.member() instanceof Membership.GroupMember member) {
              open.push(member.id());
            }
          }
        }
      }
    }
    return false;
  }

  /** None if they have nothing there any more, or nothing that entries there can take. */
  static List<Change> removing(SnapshotAt moment, ReviewItem item, UnaryOperator<String> newId) {
    return isGone(moment, item) ? List.of() : new DecidedAccess(moment, item, newId).remove();
  }

  static List<Change> changing(SnapshotAt moment, ReviewItem item, DecidedChange.Instead instead, UnaryOperator<String> newId) {
    return isGone(moment, item) ? List.of() : new DecidedAccess(moment, item, newId).change(instead);
  }

  private static boolean isGone(SnapshotAt moment, ReviewItem item) {
    return new AccessItems(moment).find(item).isEmpty();
  }

  private List<Change> remove() {
    byName.forEach(grant -> changes.add(new AccessChange.RemoveGrant(place, grant.id())));
    Rights withheld = withheldByName.stream().filter(one -> one.types().isEmpty() && one.period().equals(Period.ALWAYS)).map(Withholding::rights).reduce(Rights.NONE, Rights::union);
    withhold(otherwise.minus(withheld), Period.ALWAYS);
    return changes;
  }

  private List<Change> change(DecidedChange.Instead instead) {
    byName.forEach(grant -> changes.add(new AccessChange.RemoveGrant(place, grant.id())));
    if (instead.role() == null) {
      byName.stream().filter(grant -> grant.period().from() == null || grant.period().from().isBefore(instead.until()))
          .forEach(grant -> give(grant.role(), grant.types(), new Period(grant.period().from(), grant.period().until() != null && grant.period().until().isBefore(instead.until()) ? grant.period().until() : instead.until()), grant.note()));
    } else {
      Rights role = moment.snapshot().structure().roles().get(instead.role()).rights();
      withheldByName.forEach(one -> changes.add(new AccessChange.RemoveWithholding(place, one.id())));
      withhold(otherwise.minus(role), Period.ALWAYS);
      if (!otherwiseNow.containsAll(role)) {
        give(instead.role(), Set.of(), new Period(null, instead.until()), NOTE);
      }
      otherwise = otherwise.intersect(role);
    }
    if (instead.until() != null) {
      withhold(otherwise, new Period(instead.until(), null));
    }
    return changes;
  }

  private void give(String role, Set<String> types, Period period, String note) {
    changes.add(new AccessChange.AddGrant(new Grant(newId.apply("e"), place, person, role, types, period, note)));
  }

  private void withhold(Rights rights, Period period) {
    if (!rights.isEmpty()) {
      changes.add(new AccessChange.AddWithholding(new Withholding(newId.apply("e"), place, person, rights, Set.of(), period, NOTE)));
    }
  }
}
