package palegate.core.questions;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.snapshot.Joined;
import palegate.core.snapshot.SnapshotAt;

/**
 * How groups lie in each other at an instant, and who wears two hats: is directly in a group, and in another that neither
 * holds it nor lies in it. Made in O(groups × nestings) at most; a chain of memberships is never walked twice for a group.
 */
public final class NestedGroups {
  private final SnapshotAt moment;
  private final Joined joined;
  private final Map<String, Integer> numbers = new HashMap<>();
  private final List<String> ids = new ArrayList<>();
  /** By group: every group that it lies in, at any depth; null until somebody asks. */
  private final BitSet[] outer;

  public NestedGroups(SnapshotAt moment) {
    this.moment = moment;
    joined = moment.joined();
    for (String id : moment.snapshot().structure().groups().keySet()) {
      numbers.put(id, ids.size());
      ids.add(id);
    }
    outer = new BitSet[ids.size()];
  }

  /** Every group that a group lies in, at any depth, nearer ones first; itself is not among them. O(groups around it). */
  public List<String> outerOf(String group) {
    List<String> found = new ArrayList<>();
    BitSet seen = new BitSet();
    Deque<String> open = new ArrayDeque<>(List.of(group));
    while (!open.isEmpty()) {
      for (Joined.In in : joined.group(open.poll())) {
        int number = numbers.get(in.group());
        if (!seen.get(number)) {
          seen.set(number);
          found.add(in.group());
          open.add(in.group());
        }
      }
    }
    return found;
  }

  /** The subjects by which an entry counts for a group: the group, and every group that it lies in. */
  public List<Subject> subjectsOf(String group) {
    List<Subject> subjects = new ArrayList<>(List.of(new Subject.OfGroup(group)));
    outerOf(group).forEach(outerGroup -> subjects.add(new Subject.OfGroup(outerGroup)));
    return subjects;
  }

  /** Whether one group lies in another, at any depth. */
  public boolean liesIn(String inner, String outerGroup) {
    return outerNumbers(numbers.get(inner)).get(numbers.get(outerGroup));
  }

  /** How many of these people are directly in another group that neither holds this one nor lies in it. */
  public int withAnotherHat(String group, PersonSet people) {
    return (int) people.stream().filter(person -> joined.person(moment.snapshot().person(person).id()).stream()
        .anyMatch(in -> !in.group().equals(group) && !liesIn(group, in.group()) && !liesIn(in.group(), group))).count();
  }

  private BitSet outerNumbers(int group) {
    if (outer[group] == null) {
      BitSet found = new BitSet();
      outerOf(ids.get(group)).forEach(id -> found.set(numbers.get(id)));
      outer[group] = found;
    }
    return outer[group];
  }
}
