package palegate.core.changes;

import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Collection;
import java.util.Locale;
import java.util.function.Function;
import java.util.stream.Collectors;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;

/** What things are called in sentences about changes: by the names before them or, of what they make, those after. */
public final class Wording {
  private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM uuuu", Locale.UK).withZone(ZoneOffset.UTC);

  private final Structure before;
  private final Structure after;

  public Wording(Structure before, Structure after) {
    this.before = before;
    this.after = after;
  }

  Structure before() {
    return before;
  }

  /** What a thing is called; its id if it is not there. */
  public String name(String kind, String id) {
    return switch (kind) {
      case "person" -> named(before.people(), after.people(), id, person -> person.name());
      case "unit" -> named(before.units(), after.units(), id, unit -> unit.name());
      case "group" -> named(before.groups(), after.groups(), id, group -> group.name());
      case "role" -> named(before.roles(), after.roles(), id, role -> role.name());
      case "type" -> named(before.types(), after.types(), id, type -> type.name());
      case "approval" -> named(before.approvals(), after.approvals(), id, rule -> rule.name());
      case "duty" -> named(before.duties(), after.duties(), id, given -> given.duty().word());
      case "separation" -> named(before.separations(), after.separations(), id, separation -> separation.name());
      case "pass" -> "the pass to " + name("place", named(before.passes(), after.passes(), id, pass -> pass.place()));
      case "wall" -> named(before.walls(), after.walls(), id, wall -> wall.name());
      default -> named(before.places(), after.places(), id, place -> place.name());
    };
  }

  private static <T> String named(Parts<T> known, Parts<T> made, String id, Function<T, String> name) {
    T thing = known.containsKey(id) ? known.get(id) : made.get(id);
    return thing == null ? id : name.apply(thing);
  }

  String role(String id) {
    return name("role", id);
  }

  String subject(Subject subject) {
    String known = SubjectNames.of(subject, before);
    return known.equals(subject.id()) ? SubjectNames.of(subject, after) : known;
  }

  String onlyFor(Collection<String> types) {
    return types.isEmpty() ? "" : ", only for " + types.stream().map(type -> name("type", type)).sorted().collect(Collectors.joining(", "));
  }

  static String during(Period period) {
    return (period.from() == null ? "" : ", from " + DAY.format(period.from())) + (period.until() == null ? "" : ", until " + DAY.format(period.until()));
  }

  String entry(Entry entry) {
    if (entry == null) {
      return "an entry that is no longer there";
    }
    return (entry instanceof Grant grant ? role(grant.role()) + " to " : ((Withholding) entry).rights() + " from ") + SubjectNames.of(entry.subject(), before);
  }
}
