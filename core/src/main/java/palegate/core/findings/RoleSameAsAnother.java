package palegate.core.findings;

import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import palegate.core.access.Grant;
import palegate.core.changes.RoleChange;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;

/** Roles with the same rights. */
final class RoleSameAsAnother implements Rule {
  @Override
  public String code() {
    return "role-same-as-another";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "roles with the same rights";
  }

  @Override
  public String matters() {
    return "Two names for one thing: whoever changes one forgets the other.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    Map<Rights, Role> first = new HashMap<>();
    Set<String> used = used(survey);
    return survey.structure().roles().values().stream().sorted(Comparator.comparing(Role::id)).toList().stream().flatMap(role -> {
      Role other = first.putIfAbsent(role.rights(), role);
      return other == null ? Stream.empty() : Stream.of(new Finding(code(), severity(), "role:" + role.id(), other.id(), "“" + role.name() + "” and “" + other.name() + "” have the same rights.", List.of(role.rights().toString()),
          !used.contains(role.id()) ? List.of(Fix.of("Remove “" + role.name() + "”", new RoleChange.RemoveRole(role.id()))) : !used.contains(other.id()) ? List.of(Fix.of("Remove “" + other.name() + "”", new RoleChange.RemoveRole(other.id()))) : List.of()));
    });
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }

  static Set<String> used(Survey survey) {
    Set<String> used = new HashSet<>(survey.whileSame("roles given", Set.of(Touched.Kind.ENTRIES), () -> survey.structure().grants().values().stream().map(Grant::role).distinct().toList()));
    survey.ofPlaces("with a ceiling", place -> place.guards().ceiling() != null).forEach(place -> used.add(place.guards().ceiling()));
    survey.structure().types().values().forEach(type -> type.clearances().forEach(clearance -> used.add(clearance.role())));
    survey.structure().duties().values().forEach(duty -> used.add(duty.ceiling()));
    survey.structure().sharing().values().forEach(rule -> used.add(rule.role()));
    survey.structure().passes().values().forEach(pass -> used.add(pass.role()));
    survey.structure().separations().values().forEach(separation -> separation.sides().forEach(side -> used.addAll(side.roles())));
    return used;
  }
}
