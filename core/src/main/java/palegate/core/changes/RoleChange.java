package palegate.core.changes;

import java.util.Objects;
import palegate.core.duties.Duty;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;

/** A change of a role (section 3). */
public sealed interface RoleChange extends Change {
  @Override
  default Duty duty() {
    return Duty.ACCESS;
  }

  /** Puts a role there: a new one, or a changed one in the place of the role with that id; what its rights need is added. */
  record SetRole(Role role) implements RoleChange {
    static final Shape<SetRole> SHAPE = Shape.<SetRole>named("SetRole")
        .made("role", "r", set -> set.role.id()).needed("name", FieldType.NAME, "Give the role a name.", set -> set.role.name())
        .needed("rights", FieldType.list(FieldType.word(Right.words()), 1, Right.values().length, "rights"), "Choose at least one right.", set -> set.role.rights().words())
        .readBy(values -> new SetRole(new Role(values.text("role"), values.text("name"), Rights.parse(values.list("rights")))));

    public SetRole {
      Objects.requireNonNull(role);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.SET_ROLE;
    }

    @Override
    public String thing() {
      return "role:" + role.id();
    }

    @Override
    public void make(Making on) {
      if (on.checks(this).refuseIf(role.rights().isEmpty(), "The role holds no right.", "Choose at least one of the nine rights.").passed()) {
        on.pending.put(new Role(role.id(), role.name(), role.rights().complete()));
      }
    }

    @Override
    public String words(Wording names) {
      return (names.before().roles().containsKey(role.id()) ? "Change the role " : "Make the role ") + role.name() + ": " + String.join(", ", role.rights().words());
    }
  }

  /** Takes away a role that nothing names. */
  record RemoveRole(String role) implements RoleChange {
    static final Shape<RemoveRole> SHAPE = Shape.<RemoveRole>named("RemoveRole")
        .needed("role", FieldType.ID, "Name a role.", RemoveRole::role).readBy(values -> new RemoveRole(values.text("role")));

    public RemoveRole {
      Objects.requireNonNull(role);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REMOVE_ROLE;
    }

    @Override
    public String thing() {
      return "role:" + role;
    }

    @Override
    public void make(Making on) {
      Role known = on.pending.role(role);
      if (known == null) {
        on.refuseGone(this, "There is no role [" + role + "] (any more).");
      } else if (on.checks(this).unused(known.name(), on.pending.references().role(role, on.pending)).passed()) {
        on.pending.remove(known);
      }
    }

    @Override
    public String words(Wording names) {
      return "Remove the role " + names.role(role);
    }
  }
}
