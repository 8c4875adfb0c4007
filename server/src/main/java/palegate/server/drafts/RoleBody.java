package palegate.server.drafts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import java.util.List;
import palegate.core.drafts.Change;
import palegate.core.drafts.RoleChange;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.server.shell.MayBeMissing;

/** Changes of roles. */
public sealed interface RoleBody extends ChangeBody {

  @Schema(name = "SetRole")
  record SetRole(
      @MayBeMissing String role, @NotBlank(message = "Give the role a name.") String name,
      @NotEmpty(message = "Choose at least one right.") List<String> rights) implements RoleBody {
    @Override
    public Change toCore() {
      return new RoleChange.SetRole(new Role(role, name.strip(), Rights.parse(rights)));
    }

    @Override
    public ChangeBody withEntry() {
      return role != null ? this : new SetRole(NewIds.of("r"), name, rights);
    }
  }

  @Schema(name = "RemoveRole")
  record RemoveRole(@NotBlank(message = "Name a role.") String role) implements RoleBody {
    @Override
    public Change toCore() {
      return new RoleChange.RemoveRole(role);
    }
  }
}
