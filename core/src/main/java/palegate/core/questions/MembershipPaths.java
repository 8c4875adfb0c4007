package palegate.core.questions;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.PriorityQueue;
import java.util.Queue;
import java.util.Set;
import palegate.core.access.Trace.Link;
import palegate.core.access.Trace.MembershipPath;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.snapshot.Joined;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;

/** The chains of memberships by which a person matches a subject (section 1), shortest first. */
public final class MembershipPaths {
  /** A person in many nested groups can have a huge number of chains; more than these help nobody. */
  static final int LISTED = 20;

  /** The chains found, and whether there are more. */
  public record Found(List<MembershipPath> paths, boolean more) {}

  private final Structure structure;
  private final Joined joined;
  /** For each person asked about, every group that they are in by any chain. */
  private final Map<String, Set<String>> reachedFrom = new HashMap<>();

  public MembershipPaths(SnapshotAt moment) {
    structure = moment.snapshot().structure();
    joined = moment.joined();
  }

  public Found find(Person person, Subject subject) {
    if (subject instanceof Subject.OfGroup group) {
      return throughGroups(person, group);
    }
    if (subject instanceof Subject.OfUnit unit) {
      return new Found(List.of(new MembershipPath(unitsUpTo(person.unit(), unit.id()))), false);
    }
    return new Found(List.of(new MembershipPath(List.of())), false);
  }

  /** A chain so far; its last group leads to the goal in so many further steps at least. */
  private record Chain(List<Link> links, int left) {
    int atLeast() {
      return links.size() + left;
    }
  }

  /** Whichever can become shortest first; of those the one that is nearest: so nothing is begun that is not finished next. */
  private Found throughGroups(Person person, Subject.OfGroup goal) {
    Map<String, Integer> stepsTo = stepsTo(goal.id(), reachedFrom.computeIfAbsent(person.id(), this::reached));
    List<MembershipPath> found = new ArrayList<>();
    Queue<Chain> open = new PriorityQueue<>(Comparator.comparingInt(Chain::atLeast).thenComparingInt(Chain::left));
    extend(open, List.of(), joined.person(person.id()), stepsTo);
    while (!open.isEmpty()) {
      Chain chain = open.poll();
      if (chain.left() > 0) {
        extend(open, chain.links(), joined.group(chain.links().get(chain.links().size() - 1).id()), stepsTo);
      } else if (found.size() == LISTED) {
        return new Found(found, true);
      } else {
        found.add(new MembershipPath(chain.links()));
      }
    }
    return new Found(found, false);
  }

  private static void extend(Queue<Chain> open, List<Link> chain, List<Joined.In> next, Map<String, Integer> stepsTo) {
    for (Joined.In in : next) {
      if (stepsTo.containsKey(in.group())) {
        List<Link> longer = new ArrayList<>(chain);
        longer.add(new Link("group", in.group(), in.period()));
        open.add(new Chain(longer, stepsTo.get(in.group())));
      }
    }
  }

  private Set<String> reached(String person) {
    Set<String> reached = new HashSet<>();
    Deque<String> open = new ArrayDeque<>();
    joined.person(person).forEach(in -> open.add(in.group()));
    while (!open.isEmpty()) {
      String group = open.poll();
      if (reached.add(group)) {
        joined.group(group).forEach(in -> open.add(in.group()));
      }
    }
    return reached;
  }

  /** The groups among these from which the goal is reached, each with the fewest steps: without this the search would walk every chain there is. */
  private Map<String, Integer> stepsTo(String goal, Set<String> among) {
    Map<String, List<String>> inside = new HashMap<>();
    for (String group : among) {
      for (Joined.In in : joined.group(group)) {
        inside.computeIfAbsent(in.group(), any -> new ArrayList<>()).add(group);
      }
    }
    Map<String, Integer> steps = new HashMap<>(Map.of(goal, 0));
    Deque<String> open = new ArrayDeque<>(List.of(goal));
    while (!open.isEmpty()) {
      String group = open.poll();
      for (String inner : inside.getOrDefault(group, List.of())) {
        if (steps.putIfAbsent(inner, steps.get(group) + 1) == null) {
          open.add(inner);
        }
      }
    }
    return steps;
  }

  private List<Link> unitsUpTo(String from, String to) {
    List<Link> links = new ArrayList<>();
    for (String unit = from; unit != null; unit = structure.units().get(unit).parent()) {
      links.add(new Link("unit", unit, Period.ALWAYS));
      if (unit.equals(to)) {
        break;
      }
    }
    return links;
  }
}
