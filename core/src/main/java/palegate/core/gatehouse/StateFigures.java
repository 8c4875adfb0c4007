package palegate.core.gatehouse;

import palegate.core.access.stages.HoldersByRight;
import palegate.core.collections.PersonSet;
import palegate.core.snapshot.Reader;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/**
 * What is counted of a state, so that it can be drawn over time.
 *
 * @param people who have any right at all, outsiders too
 * @param outsiders who are among them
 * @param breaks places that stand alone, but for the repository
 * @param entries grants and withholdings that hold then
 */
public record StateFigures(int people, int outsiders, int breaks, int entries) {
  /** Standing rights. O(classes × people / 64 + places). */
  public static StateFigures of(SnapshotAt moment) {
    Snapshot snapshot = moment.snapshot();
    PersonSet anyone = PersonSet.NOBODY;
    Reader reader = moment.reader();
    for (int number = 0; number < moment.classCount(); number++) {
      if (moment.placesInClass(number) > 0) {
        HoldersByRight holders = reader.read(number);
        anyone = anyone.or(holders.anyone());
      }
    }
    int breaks = snapshot.placeCount() == 0 ? 0 : snapshot.breaksBelow(snapshot.placeNumber(snapshot.structure().repository().orElseThrow().id()));
    int entries = (int) snapshot.structure().entries().filter(entry -> entry.period().holdsAt(moment.instant())).count();
    return new StateFigures(anyone.size(), anyone.sizeOfAnd(moment.activeOutsiders()), breaks, entries);
  }
}
