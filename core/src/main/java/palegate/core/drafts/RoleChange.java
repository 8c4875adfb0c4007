package palegate.core.drafts;

import java.util.Objects;
import palegate.core.duties.Duty;
import palegate.core.roles.Role;

/** A change of a role. */
public sealed interface RoleChange extends Change {
  @Override
  default Duty duty() {
    return Duty.ACCESS;
  }


  /** Puts a role there: a new one, or a changed one in the place of the role with that id; what its rights need is added. */
  record SetRole(Role role) implements RoleChange {
    public SetRole {
      Objects.requireNonNull(role);
    }

    @Override
    public String thing() {
      return "role:" + role.id();
    }
  }

  /** Takes away a role that nothing names. */
  record RemoveRole(String role) implements RoleChange {
    public RemoveRole {
      Objects.requireNonNull(role);
    }

    @Override
    public String thing() {
      return "role:" + role;
    }
  }
}
