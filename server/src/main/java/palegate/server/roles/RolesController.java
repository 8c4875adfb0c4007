package palegate.server.roles;

import java.util.Comparator;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.roles.Role;
import palegate.core.structure.Structure;
import palegate.server.store.Snapshots;

/** The customer's roles. */
@RestController
class RolesController {
  record RoleView(String id, String name, List<String> rights) {}

  private final Snapshots snapshots;

  RolesController(Snapshots snapshots) {
    this.snapshots = snapshots;
  }

  /** All roles, those with the fewest rights first. */
  @GetMapping("/api/roles")
  List<RoleView> roles() {
    Structure structure = snapshots.current().snapshot().structure();
    return structure.roles().values().stream()
        .sorted(Comparator.comparing((Role role) -> role.rights().size()).thenComparing(Role::name))
        .map(role -> new RoleView(role.id(), role.name(), role.rights().words())).toList();
  }
}
