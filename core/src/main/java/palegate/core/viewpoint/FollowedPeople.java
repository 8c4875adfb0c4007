package palegate.core.viewpoint;

import java.util.HashMap;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Oversight;
import palegate.core.duties.Duty;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.people.Unit;

/**
 * People, groups and units. All of them are known to whoever knows everybody; to others a person, of whom only the name is another, is known as before, and
 * one who is new if a unit or all staff are known with everybody in them. O(changes), and the known entries where somebody is new.
 */
final class FollowedPeople {
  final Map<String, Person> people = new HashMap<>();
  final Map<String, Group> groups = new HashMap<>();
  final Map<String, Unit> units = new HashMap<>();
  private final Following following;

  FollowedPeople(Following following) {
    this.following = following;
  }

  boolean clear() {
    return Following.each(following.difference.units(), this::followUnit) && Following.each(following.difference.people(), this::followPerson) && Following.each(following.difference.groups(), this::followGroup);
  }

  private boolean followUnit(String id) {
    Unit before = following.difference.before().units().get(id);
    Unit after = following.all.units().get(id);
    boolean slight = before != null && after != null && Objects.equals(before.parent(), after.parent());
    if (following.everybody || slight) {
      if (following.everybody || following.known.units().containsKey(id)) {
        units.put(id, after);
      }
      return slight || !following.wordless && !following.isMine(new Subject.OfUnit(id));
    }
    return before == null && (after.parent() == null || !following.known.units().containsKey(after.parent()));
  }

  private boolean followPerson(String id) {
    if (following.wordless || id.equals(following.asker.id())) {
      return false;
    }
    Person before = following.difference.before().people().get(id);
    Person after = following.all.people().get(id);
    boolean slight = before != null && after != null && before.external() == after.external() && Objects.equals(before.unit(), after.unit());
    if (following.everybody || slight) {
      if (following.everybody || following.known.people().containsKey(id)) {
        people.put(id, after);
      }
      return true;
    }
    if (before != null || following.asker.holds(Duty.PEOPLE)) {
      return false;
    }
    if (isKnownWithOthers(after)) {
      people.put(id, after);
      return after.unit() == null || following.known.units().containsKey(after.unit());
    }
    return true;
  }

  /** Whether something known names all staff, all outsiders or a unit that a person is in. */
  private boolean isKnownWithOthers(Person person) {
    return Stream.of(following.known.grants().values().stream().map(Entry::subject), following.known.withholdings().values().stream().map(Entry::subject), following.known.oversights().values().stream().map(Oversight::subject))
        .flatMap(subjects -> subjects).anyMatch(subject -> subject instanceof Subject.BuiltIn builtIn && person.external() == (builtIn == Subject.BuiltIn.OUTSIDERS)
            || subject instanceof Subject.OfUnit && Asker.unitIsAtOrBelow(following.all, person.unit(), subject.id()));
  }

  private boolean followGroup(String id) {
    if (following.wordless || following.isMine(new Subject.OfGroup(id)) || following.asker.holds(Duty.PEOPLE) && !following.everybody) {
      return false;
    }
    if (following.everybody) {
      groups.put(id, following.all.groups().get(id));
      return true;
    }
    return !following.known.groups().containsKey(id);
  }
}
