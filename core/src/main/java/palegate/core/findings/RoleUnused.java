package palegate.core.findings;

import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.changes.RoleChange;
import palegate.core.roles.Role;

/** Roles that nothing uses. */
final class RoleUnused implements Rule {
  @Override
  public String code() {
    return "role-unused";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "roles that nothing uses";
  }

  @Override
  public String matters() {
    return "Whoever chooses a role reads it too.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    Set<String> used = RoleSameAsAnother.used(survey);
    return survey.structure().roles().values().stream().filter(role -> !used.contains(role.id())).sorted(Comparator.comparing(Role::id)).map(role -> new Finding(code(), severity(), "role:" + role.id(), "", "Nothing uses “" + role.name() + "”.",
        List.of("It has: " + role.rights() + "."), List.of(Fix.of("Remove the role", new RoleChange.RemoveRole(role.id())))));
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }
}
