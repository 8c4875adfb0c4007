package palegate.core.statements;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.people.Period;
import palegate.core.roles.Role;
import palegate.core.structure.SubjectNames;

/** Roles and everything that gives them: grants, clearances, ceilings; a role that nothing uses has a row that says so. */
final class RolesStatement {
  private RolesStatement() {}

  static StatementTable of(AskedStatement asked) {
    List<Role> roles = asked.structure().roles().values().stream().sorted(Comparator.comparing(Role::name).thenComparing(Role::id)).toList();
    Map<String, List<List<String>>> uses = uses(asked);
    Map<String, String> counts = new LinkedHashMap<>();
    counts.put("Roles", roles.size() + ", of which " + roles.stream().filter(role -> !uses.containsKey(role.id())).count() + " are not used");
    return new StatementTable("Roles, and where each is used", counts, List.of(
        StatementTable.Column.key("role", "Role", 22), StatementTable.Column.text("rights", "Rights", 46), StatementTable.Column.key("use", "Used as", 14), StatementTable.Column.key("where", "Where", 62), StatementTable.Column.key("whom", "For", 30),
        StatementTable.Column.text("state", "Now", 12)), () -> roles.stream().flatMap(role -> uses.getOrDefault(role.id(), List.of(List.of("not used", "", "", ""))).stream()
            .map(use -> new StatementTable.Row(Stream.concat(Stream.of(role.name(), role.rights().toString()), use.stream()).toList()))));
  }

  private static Map<String, List<List<String>>> uses(AskedStatement asked) {
    Map<String, List<List<String>>> uses = new HashMap<>();
    for (int place : asked.places()) {
      asked.snapshot().ownEntries(place).stream().filter(Grant.class::isInstance).map(Grant.class::cast)
          .forEach(grant -> add(uses, grant.role(), "grant", asked.snapshot().pathText(place), SubjectNames.of(grant.subject(), asked.structure()), state(asked, grant.period())));
      String ceiling = asked.snapshot().place(place).guards().ceiling();
      if (ceiling != null) {
        add(uses, ceiling, "ceiling", asked.snapshot().pathText(place), "outsiders", "counts");
      }
    }
    asked.structure().types().values().stream().sorted(Comparator.comparing(type -> type.name())).forEach(type -> type.clearances().forEach(clearance ->
        add(uses, clearance.role(), "clearance", "documents of the type " + type.name(), SubjectNames.of(clearance.subject(), asked.structure()), state(asked, clearance.period()))));
    asked.structure().duties().values().stream().filter(duty -> duty.ceiling() != null).sorted(Comparator.comparing(duty -> duty.id())).forEach(duty ->
        add(uses, duty.ceiling(), "bound of a duty", duty.duty().word(), SubjectNames.of(duty.subject(), asked.structure()), state(asked, duty.period())));
    return uses;
  }

  private static String state(AskedStatement asked, Period period) {
    return StatementWords.state(period, asked.instant());
  }

  private static void add(Map<String, List<List<String>>> uses, String role, String use, String where, String whom, String state) {
    uses.computeIfAbsent(role, any -> new ArrayList<>()).add(List.of(use, where, whom, state));
  }
}
