package palegate.core.questions;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/** What the people of a group have that does not come from the group: what would be left to each if it had no members. */
public final class Beyond {
  /**
   * One member.
   *
   * @param documents how many documents they can do anything with
   * @param without how many of those would be left without the group
   */
  public record Of(Person person, int documents, int without) {}

  private final SnapshotAt with;
  private final SnapshotAt without;
  private final List<Person> people = new ArrayList<>();

  private Beyond(SnapshotAt with, SnapshotAt without, Group group) {
    this.with = with;
    this.without = without;
    with.matching(new Subject.OfGroup(group.id())).and(with.active()).forEach(person -> people.add(with.snapshot().person(person)));
    people.sort((a, b) -> a.name().equals(b.name()) ? a.id().compareTo(b.id()) : a.name().compareTo(b.name()));
  }

  /** The group must be there. O(what the group touches). */
  public static Beyond of(Snapshot snapshot, Instant instant, String group) {
    Group known = snapshot.structure().groups().get(group);
    Snapshot emptied = snapshot.next(snapshot.structure().withGroups(Map.of(group, known.with(List.of()))));
    return new Beyond(snapshot.at(instant), emptied.at(instant), known);
  }

  /** The active people of the group, by name. */
  public List<Person> people() {
    return List.copyOf(people);
  }

  /** One of them. O(classes). */
  public Of of(Person person) {
    int number = with.snapshot().personNumber(person.id());
    return new Of(person, ReachOf.person(with, number).documents(), ReachOf.person(without, number).documents());
  }
}
