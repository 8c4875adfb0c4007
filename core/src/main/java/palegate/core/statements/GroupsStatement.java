package palegate.core.statements;

import java.util.ArrayDeque;
import java.util.Comparator;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.structure.Structure;

/**
 * Every group with everybody in it: who is a member by name, and who is in it through other groups, by the shortest chain. Memberships that
 * do not count at the instant have a row that says so. O(groups × what lies in them).
 */
final class GroupsStatement {
  private static final int MEMBER = 1;
  private static final int CHAIN = 4;
  /** Members themselves first, whatever the order in which they joined. */
  private static final Comparator<StatementTable.Row> BY_CHAIN_AND_NAME = Comparator.comparing((StatementTable.Row row) -> row.cells().get(CHAIN)).thenComparing(row -> row.cells().get(MEMBER)).thenComparing(row -> String.join("|", row.cells()));

  private final AskedStatement asked;
  private final Structure structure;

  private GroupsStatement(AskedStatement asked) {
    this.asked = asked;
    structure = asked.structure();
  }

  static StatementTable of(AskedStatement asked) {
    List<Group> groups = asked.structure().groups().values().stream().sorted(Comparator.comparing(Group::name).thenComparing(Group::id)).toList();
    Map<String, String> counts = new LinkedHashMap<>();
    counts.put("Groups", groups.size() + ", of which " + groups.stream().filter(group -> asked.moment().matching(new Subject.OfGroup(group.id())).isEmpty()).count() + " have nobody in them");
    counts.put("Memberships", Long.toString(groups.stream().mapToLong(group -> group.members().size()).sum()));
    return new StatementTable("Groups, with everybody in them", counts, List.of(
        StatementTable.Column.key("group", "Group", 32), StatementTable.Column.key("member", "Member", 28), StatementTable.Column.text("standing", "Staff or outsider", 14), StatementTable.Column.text("unit", "Unit", 26), StatementTable.Column.key("chain", "By which chain", 54),
        StatementTable.Column.key("from", "From", 16), StatementTable.Column.text("until", "Until", 16), StatementTable.Column.text("state", "Now", 10)),
        () -> groups.stream().flatMap(group -> new GroupsStatement(asked).rows(group)));
  }

  private Stream<StatementTable.Row> rows(Group group) {
    Map<String, List<String>> chains = chainsInto(group);
    Set<StatementTable.Row> rows = new LinkedHashSet<>();
    if (group.members().isEmpty()) {
      return Stream.of(new StatementTable.Row(List.of(group.name(), "nobody", "", "", "", "", "", "")));
    }
    for (Membership membership : group.members()) {
      if (membership.member() instanceof Membership.PersonMember && structure.people().containsKey(membership.member().id())) {
        rows.add(row(group, structure.people().get(membership.member().id()), "", membership.period()));
      } else if (structure.groups().containsKey(membership.member().id())) {
        rows.add(new StatementTable.Row(List.of(group.name(), structure.groups().get(membership.member().id()).name(), "group", "", "", StatementWords.when(membership.period().from()), StatementWords.when(membership.period().until()),
            StatementWords.state(membership.period(), asked.instant()))));
      }
    }
    chains.forEach((inner, chain) -> structure.groups().get(inner).members().stream()
        .filter(membership -> membership.member() instanceof Membership.PersonMember && membership.period().holdsAt(asked.instant()) && structure.people().containsKey(membership.member().id()))
        .forEach(membership -> rows.add(row(group, structure.people().get(membership.member().id()), String.join(" \u203a ", chain), membership.period()))));
    return rows.stream().sorted(BY_CHAIN_AND_NAME);
  }

  /** The groups that lie in one, at any depth and at the instant, each with the names of those through which, the inner one first. */
  private Map<String, List<String>> chainsInto(Group group) {
    Map<String, List<String>> chains = new LinkedHashMap<>();
    Map<String, String> through = new HashMap<>();
    Deque<String> open = new ArrayDeque<>(List.of(group.id()));
    while (!open.isEmpty()) {
      String at = open.poll();
      for (Membership membership : structure.groups().get(at).members()) {
        String inner = membership.member().id();
        if (membership.member() instanceof Membership.GroupMember && membership.period().holdsAt(asked.instant()) && structure.groups().containsKey(inner) && !inner.equals(group.id()) && through.putIfAbsent(inner, at) == null) {
          chains.put(inner, Stream.concat(Stream.of(structure.groups().get(inner).name()), chains.getOrDefault(at, List.of()).stream()).toList());
          open.add(inner);
        }
      }
    }
    return chains;
  }

  private StatementTable.Row row(Group group, Person person, String chain, Period period) {
    return new StatementTable.Row(List.of(group.name(), person.name(), StatementWords.standing(person), StatementWords.unit(person, structure), chain, StatementWords.when(period.from()), StatementWords.when(period.until()),
        StatementWords.state(period, asked.instant())));
  }
}
