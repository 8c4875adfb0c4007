package palegate.core.shares;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import palegate.core.access.Grant;
import palegate.core.collections.PersonSet;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.sharing.Pass;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;

/** Who has let whom in where, by sharing and by passes, as one list (section 11). O(grants + passes). */
public final class SharesRegister {
  public enum Kind {
    SHARE, PASS
  }

  /** How it stands at the moment. */
  public enum State {
    STANDING, TO_BEGIN, ENDED
  }

  /**
   * A share, or a pass.
   *
   * @param place the number of the place
   * @param maker the id of the person who answers for it; null where that cannot be known
   * @param people how many active people it lets in, or could open it
   * @param outsiders how many of them are from outside
   * @param opened by how many a pass is open now; of a share, 0
   */
  public record Row(Kind kind, String id, int place, List<Subject> subjects, String role, String maker, Period period, State state, int people, int outsiders, int opened, Integer uses, String note) {
    public boolean openEnded() {
      return period.until() == null;
    }
  }

  private SharesRegister() {}

  /** Everything that is shared, by place, then the latest end first; what was opened through a pass is counted with it. */
  public static List<Row> of(SnapshotAt at) {
    return of(at, any -> true);
  }

  /** The same of what one person answers for. */
  public static List<Row> by(String maker, SnapshotAt at) {
    return of(at, maker::equals);
  }

  private static List<Row> of(SnapshotAt at, Predicate<String> makers) {
    Snapshot snapshot = at.snapshot();
    Structure structure = snapshot.structure();
    List<Row> rows = new ArrayList<>();
    Map<String, Integer> opened = new HashMap<>();
    for (Grant grant : structure.grants().values()) {
      if (grant.pass() != null) {
        opened.merge(grant.pass(), grant.period().endedBy(at.instant()) ? 0 : 1, Integer::sum);
      } else if (grant.isShare() && makers.test(grant.sharedBy())) {
        rows.add(row(at, Kind.SHARE, grant.id(), grant.place(), List.of(grant.subject()), grant.role(), grant.sharedBy(), grant.period(), 0, null, grant.note()));
      }
    }
    for (Pass pass : structure.passes().values()) {
      if (makers.test(pass.maker())) {
        rows.add(row(at, Kind.PASS, pass.id(), pass.place(), pass.audience(), pass.role(), pass.maker(), pass.period(), opened.getOrDefault(pass.id(), 0), pass.uses(), pass.note()));
      }
    }
    Map<Integer, String> paths = new HashMap<>();
    rows.forEach(row -> paths.computeIfAbsent(row.place(), snapshot::pathText));
    rows.sort(Comparator.comparing((Row row) -> paths.get(row.place())).thenComparing(Row::place).thenComparing(row -> row.period().until() == null ? Instant.MAX : row.period().until(), Comparator.reverseOrder())
        .thenComparing(Row::id));
    return rows;
  }

  private static Row row(SnapshotAt at, Kind kind, String id, String place, List<Subject> subjects, String role, String maker, Period period, int opened, Integer uses, String note) {
    State state = period.endedBy(at.instant()) ? State.ENDED : period.holdsAt(at.instant()) ? State.STANDING : State.TO_BEGIN;
    PersonSet matching = at.matchingAny(subjects);
    int people = matching.sizeOfAnd(at.active());
    int outsiders = people == 0 ? 0 : matching.sizeOfAnd(at.activeOutsiders());
    return new Row(kind, id, at.snapshot().placeNumber(place), subjects, role, maker, period, state, people, outsiders, opened, uses, note);
  }
}
