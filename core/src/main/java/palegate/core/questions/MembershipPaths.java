package palegate.core.questions;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palegate.core.access.Trace.Link;
import palegate.core.access.Trace.MembershipPath;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.snapshot.Joined;
import palegate.core.snapshot.Moment;
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

  public MembershipPaths(Moment moment) {
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

  private Found throughGroups(Person person, Subject.OfGroup goal) {
    Set<String> leading = leadingTo(goal.id(), reachedFrom.computeIfAbsent(person.id(), this::reached));
    List<MembershipPath> found = new ArrayList<>();
    Deque<List<Link>> open = new ArrayDeque<>();
    extend(open, List.of(), joined.person(person.id()), leading);
    while (!open.isEmpty()) {
      List<Link> chain = open.poll();
      String last = chain.get(chain.size() - 1).id();
      if (!last.equals(goal.id())) {
        extend(open, chain, joined.group(last), leading);
      } else if (found.size() == LISTED) {
        return new Found(found, true);
      } else {
        found.add(new MembershipPath(chain));
      }
    }
    return new Found(found, false);
  }

  private static void extend(Deque<List<Link>> open, List<Link> chain, List<Joined.In> next, Set<String> leading) {
    for (Joined.In in : next) {
      if (leading.contains(in.group())) {
        List<Link> longer = new ArrayList<>(chain);
        longer.add(new Link("group", in.group(), in.period()));
        open.add(longer);
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

  /** The groups among these from which the goal is reached: without this the search would walk every chain there is. */
  private Set<String> leadingTo(String goal, Set<String> among) {
    Map<String, List<String>> inside = new HashMap<>();
    for (String group : among) {
      for (Joined.In in : joined.group(group)) {
        inside.computeIfAbsent(in.group(), any -> new ArrayList<>()).add(group);
      }
    }
    Set<String> leading = new HashSet<>();
    Deque<String> open = new ArrayDeque<>(List.of(goal));
    while (!open.isEmpty()) {
      String group = open.poll();
      if (leading.add(group)) {
        open.addAll(inside.getOrDefault(group, List.of()));
      }
    }
    return leading;
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
