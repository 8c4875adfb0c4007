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
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.snapshot.Moment;
import palegate.core.structure.Structure;

/** The chains of memberships by which a person matches a subject (section 1), shortest first. */
public final class MembershipPaths {
  /** A person in many nested groups can have a huge number of chains; more than these help nobody. */
  static final int LISTED = 20;

  private record Joined(String group, Period period) {}

  /** The chains found, and whether there are more. */
  public record Found(List<MembershipPath> paths, boolean more) {}

  private final Moment moment;
  private final Structure structure;
  private final Map<String, List<Joined>> byPerson = new HashMap<>();
  private final Map<String, List<Joined>> byGroup = new HashMap<>();
  private final Map<String, Set<String>> withinGoal = new HashMap<>();

  /** Turns the memberships that hold at the moment round. O(memberships). */
  public MembershipPaths(Moment moment) {
    this.moment = moment;
    structure = moment.snapshot().structure();
    for (Group group : structure.groups().values()) {
      for (Membership membership : group.members()) {
        if (membership.period().holdsAt(moment.instant())) {
          (membership.member() instanceof Membership.PersonMember ? byPerson : byGroup)
              .computeIfAbsent(membership.member().id(), any -> new ArrayList<>())
              .add(new Joined(group.id(), membership.period()));
        }
      }
    }
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
    List<MembershipPath> found = new ArrayList<>();
    Deque<List<Link>> open = new ArrayDeque<>();
    extend(open, List.of(), byPerson.getOrDefault(person.id(), List.of()), goal);
    while (!open.isEmpty()) {
      List<Link> chain = open.poll();
      String last = chain.get(chain.size() - 1).id();
      if (!last.equals(goal.id())) {
        extend(open, chain, byGroup.getOrDefault(last, List.of()), goal);
      } else if (found.size() == LISTED) {
        return new Found(found, true);
      } else {
        found.add(new MembershipPath(chain));
      }
    }
    return new Found(found, false);
  }

  private void extend(Deque<List<Link>> open, List<Link> chain, List<Joined> next, Subject.OfGroup goal) {
    for (Joined joined : next) {
      if (leadsTo(joined.group(), goal.id())) {
        List<Link> longer = new ArrayList<>(chain);
        longer.add(new Link("group", joined.group(), joined.period()));
        open.add(longer);
      }
    }
  }

  /** Whether a group is the goal or inside it: without this the search would walk every chain there is. */
  private boolean leadsTo(String group, String goal) {
    return withinGoal.computeIfAbsent(goal, this::groupsWithin).contains(group);
  }

  private Set<String> groupsWithin(String goal) {
    Set<String> within = new HashSet<>();
    Deque<String> open = new ArrayDeque<>(List.of(goal));
    while (!open.isEmpty()) {
      String group = open.poll();
      if (within.add(group)) {
        for (Membership membership : structure.groups().get(group).members()) {
          if (membership.member() instanceof Membership.GroupMember inner
              && membership.period().holdsAt(moment.instant())) {
            open.add(inner.id());
          }
        }
      }
    }
    return within;
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
