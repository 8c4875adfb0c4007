package palegate.core.viewpoint;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import palegate.core.collections.PersonSet;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Person;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/** Who would see and change what in the console, were a draft put in force (section 9). */
public final class ConsoleDifference {
  /** So many people are looked at one by one; more are counted. */
  private static final int LOOKED_AT_MOST = 100;

  /** What somebody has in the console: their duties, and how much of the repository and of its people they see there. */
  public record Console(Set<Duty> duties, int places, int people) {}

  /** Somebody whose duties a draft alters, in themselves or in what they cover. */
  public record Shift(Person person, Console before, Console after) {}

  /** @param more how many besides are not looked at */
  public record Found(List<Shift> shifts, int more) {}

  private ConsoleDifference() {}

  /** O(duties handed out × people who hold them), and for each person whose duties differ O(structure). */
  public static Found between(Snapshot before, Snapshot after, Instant instant) {
    SnapshotAt was = before.at(instant);
    SnapshotAt is = after.at(instant);
    Map<String, Set<DutyAssignment>> had = held(was);
    Map<String, Set<DutyAssignment>> has = held(is);
    Set<String> altered = new TreeSet<>(had.keySet());
    altered.addAll(has.keySet());
    altered.removeIf(person -> had.getOrDefault(person, Set.of()).equals(has.getOrDefault(person, Set.of())));
    List<Shift> shifts = new ArrayList<>();
    altered.stream().limit(LOOKED_AT_MOST).forEach(id -> {
      Person person = after.structure().people().containsKey(id) ? after.structure().people().get(id) : before.structure().people().get(id);
      shifts.add(new Shift(person, console(was, id), console(is, id)));
    });
    shifts.sort(Comparator.comparing((Shift shift) -> shift.person().name()).thenComparing(shift -> shift.person().id()));
    return new Found(List.copyOf(shifts), Math.max(0, altered.size() - LOOKED_AT_MOST));
  }

  private static Console console(SnapshotAt at, String person) {
    Viewpoint viewpoint = Viewpoint.of(Asker.of(at, person));
    return new Console(viewpoint.asker().duties(), viewpoint.snapshot().placeCount(), viewpoint.snapshot().personCount());
  }

  private static Map<String, Set<DutyAssignment>> held(SnapshotAt at) {
    Map<String, Set<DutyAssignment>> held = new LinkedHashMap<>();
    at.snapshot().structure().duties().values().stream().filter(given -> given.period().holdsAt(at.instant())).forEach(given -> {
      PersonSet holders = at.matching(given.subject()).and(at.active());
      holders.stream().forEach(person -> held.computeIfAbsent(at.snapshot().person(person).id(), any -> new HashSet<>()).add(given));
    });
    return held;
  }
}
