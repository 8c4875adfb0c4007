package palegate.core.gatehouse;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.function.Supplier;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.core.walls.Wall;

/**
 * Something that begins or ends by its date.
 *
 * @param about what kind of thing has a page for it: place, group, type, wall or duty
 * @param aboutId which
 * @param words what it is, without a verb
 */
public record DatedThing(Instant at, boolean begins, String about, String aboutId, String words) {
  /** Collects what begins or ends after one instant, and at another or before. */
  private record Between(Instant after, Instant upTo, List<DatedThing> found) {
    /** @param words asked for only if it begins or ends: of most things there is nothing to say */
    void add(Period period, String about, String aboutId, Supplier<String> words) {
      if (in(period.from())) {
        found.add(new DatedThing(period.from(), true, about, aboutId, words.get()));
      }
      if (in(period.until())) {
        found.add(new DatedThing(period.until(), false, about, aboutId, words.get()));
      }
    }

    boolean in(Instant instant) {
      return instant != null && instant.isAfter(after) && !instant.isAfter(upTo);
    }
  }

  /** Entries, memberships, oversights, clearances, walls, exceptions to walls and duties, by instant. O(things). */
  public static List<DatedThing> between(Structure structure, Instant after, Instant upTo) {
    Between between = new Between(after, upTo, new ArrayList<>());
    structure.entries().forEach(entry -> between.add(entry.period(), "place", entry.place(), () -> named(entry, structure)));
    structure.groups().values().forEach(group -> group.members().forEach(member -> between.add(member.period(), "group", group.id(), () -> name(member.member(), structure) + " in " + group.name())));
    structure.oversights().values().forEach(oversight -> between.add(oversight.period(), "place", oversight.place(), () -> "oversight of " + structure.places().get(oversight.place()).name() + " by " + SubjectNames.of(oversight.subject(), structure)));
    structure.types().values().forEach(type -> type.clearances().forEach(clearance -> between.add(clearance.period(), "type", type.id(), () -> "clearance of " + SubjectNames.of(clearance.subject(), structure) + " for " + type.name())));
    structure.walls().values().stream().filter(wall -> wall.state() != Wall.State.LIFTED).forEach(wall -> {
      between.add(wall.period(), "wall", wall.id(), () -> "the wall " + wall.name());
      wall.exceptions().forEach(exception -> between.add(new Period(null, exception.until()), "wall", wall.id(), () -> "exception for " + SubjectNames.of(exception.subject(), structure) + " from the wall " + wall.name()));
    });
    structure.duties().values().forEach(duty -> between.add(duty.period(), "duty", duty.id(), () -> "the duty " + duty.duty().word() + " of " + SubjectNames.of(duty.subject(), structure)));
    between.found().sort(Comparator.comparing(DatedThing::at).thenComparing(DatedThing::about).thenComparing(DatedThing::aboutId).thenComparing(DatedThing::words));
    return List.copyOf(between.found());
  }

  private static String named(Entry entry, Structure structure) {
    Subject subject = entry.subject();
    String what = entry instanceof Grant grant ? structure.roles().get(grant.role()).name() + " for " : "withholding from ";
    return what + SubjectNames.of(subject, structure) + " at " + structure.places().get(entry.place()).name();
  }

  private static String name(Membership.Member member, Structure structure) {
    return SubjectNames.of(member instanceof Membership.PersonMember ? new Subject.OfPerson(member.id()) : new Subject.OfGroup(member.id()), structure);
  }
}
