package palegate.core.random;

import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Random;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.structure.Structure;

/** Structures with duties handed out at random. */
public final class RandomDuties {
  private RandomDuties() {}

  /** Duties of every kind, in every scope, held in every way, some over and some to come. */
  public static Structure over(Structure structure, Random random) {
    List<String> places = List.copyOf(structure.places().keySet());
    List<String> units = List.copyOf(structure.units().keySet());
    List<Subject> subjects = new ArrayList<>();
    structure.people().keySet().forEach(person -> subjects.add(new Subject.OfPerson(person)));
    structure.groups().keySet().forEach(group -> subjects.add(new Subject.OfGroup(group)));
    units.forEach(unit -> subjects.add(new Subject.OfUnit(unit)));
    List<DutyAssignment> duties = new ArrayList<>();
    for (int i = 0; i < 1 + random.nextInt(6) && !subjects.isEmpty() && !places.isEmpty(); i++) {
      Duty duty = Duty.values()[random.nextInt(Duty.values().length)];
      String place = duty.scope() != Duty.ScopeKind.PLACE ? null
          : random.nextInt(3) == 0 ? structure.repository().map(Place::id).orElse(places.get(0)) : places.get(random.nextInt(places.size()));
      String unit = duty.scope() == Duty.ScopeKind.UNIT && !units.isEmpty() && random.nextInt(3) > 0 ? units.get(random.nextInt(units.size())) : null;
      Period period = random.nextInt(5) > 0 ? Period.ALWAYS : random.nextBoolean() ? new Period(RandomStructures.NOW.plusSeconds(60), null) : new Period(null, RandomStructures.NOW.minusSeconds(60));
      duties.add(new DutyAssignment("du-" + i, subjects.get(random.nextInt(subjects.size())), duty, place, unit, null, period));
    }
    return structure.administeredBy(duties.stream().filter(given -> Objects.isNull(given.wrong().orElse(null))).toList());
  }
}
