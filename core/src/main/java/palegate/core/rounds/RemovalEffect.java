package palegate.core.rounds;

import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.changes.Change;
import palegate.core.changes.DraftApplication;
import palegate.core.people.Subject;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.SubjectNames;

/**
 * What removing a thing would do, counted.
 *
 * @param people how many would lose anything
 * @param documents on how many documents
 * @param still through whom a person, of whom a grant is reviewed, would read the place all the same; empty if not
 * @param gone whether the thing is not there any more
 */
public record RemovalEffect(int people, int documents, List<String> still, boolean gone) {

  /** By rehearsal. */
  public static RemovalEffect of(SnapshotAt moment, ReviewItem item) {
    Snapshot snapshot = moment.snapshot();
    List<Change> removal = DecidedChange.removing(moment, item, prefix -> prefix + "-removed");
    if (removal.isEmpty() && (item.kind() != ItemKind.ACCESS || new AccessItems(moment).find(item).isEmpty())) {
      return new RemovalEffect(0, 0, List.of(), true);
    }
    SnapshotAt after = snapshot.next(DraftApplication.of(snapshot, removal, moment.instant()).difference()).at(moment.instant());
    RightsDifference.Totals totals = RightsDifference.between(moment, after).totals();
    return new RemovalEffect(totals.peopleLosing(), totals.documents(), still(after, item), false);
  }

  private static List<String> still(SnapshotAt after, ReviewItem item) {
    Snapshot snapshot = after.snapshot();
    int place = item.place() == null ? -1 : snapshot.placeNumber(item.place());
    int person = item.kind() != ItemKind.PASS && item.subject() instanceof Subject.OfPerson one ? snapshot.personNumber(one.id()) : -1;
    if (place < 0 || person < 0 || !after.rights(person, place).contains(Right.READ)) {
      return List.of();
    }
    Set<String> through = new TreeSet<>();
    for (Entry entry : snapshot.reachingEntries(place)) {
      if (entry instanceof Grant && entry.period().holdsAt(after.instant()) && entry.touches(snapshot.place(place).type()) && after.matches(person, entry.subject())) {
        through.add(entry.subject() instanceof Subject.OfPerson ? "another entry by name" : SubjectNames.of(entry.subject(), snapshot.structure()));
      }
    }
    if (new AccessItems(after).isOverseen(place, person)) {
      through.add("oversight");
    }
    return List.copyOf(through);
  }

  /** In a sentence or two. */
  public String words() {
    if (gone) {
      return "It is not there any more.";
    }
    String loses = people == 0 ? "Removing it takes nothing from anybody." : "Removing it takes something from " + people + (people == 1 ? " person" : " people") + " on " + documents + (documents == 1 ? " document." : " documents.");
    return still.isEmpty() ? loses : loses + " They still read it through " + String.join(", ", still) + ".";
  }
}
