package palegate.core.drafts;

import palegate.core.roles.Role;

/** Makes changes of roles: what its rights need is added, and a role that is named anywhere stays. */
final class RoleChanges {
  private final Pending pending;
  private final Refuser refuser;

  RoleChanges(Pending pending, Refuser refuser) {
    this.pending = pending;
    this.refuser = refuser;
  }

  void make(RoleChange change) {
    if (change instanceof RoleChange.SetRole set) {
      Role role = set.role();
      Checks checks = new Checks(pending, refuser)
          .refuseIf(role.rights().isEmpty(), set, "The role holds no right.", "Choose at least one of the nine rights.");
      if (checks.passed()) {
        pending.put(new Role(role.id(), role.name(), role.rights().complete()));
      }
      return;
    }
    RoleChange.RemoveRole remove = (RoleChange.RemoveRole) change;
    Role role = pending.role(remove.role());
    if (role == null) {
      refuser.refuse(change, "There is no role [" + remove.role() + "] (any more).", "Remove this change from the draft.");
    } else {
      String used = pending.references().role(role.id(), pending);
      if (used != null) {
        refuser.refuse(change, "[" + role.name() + "] is still used: " + used + ".", "Take it away there first.");
      } else {
        pending.remove(role);
      }
    }
  }
}
