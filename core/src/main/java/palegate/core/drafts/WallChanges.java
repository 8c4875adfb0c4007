package palegate.core.drafts;

import palegate.core.walls.Wall;

/** Makes changes of walls. */
final class WallChanges {
  private final Pending pending;
  private final Refuser refuser;

  WallChanges(Pending pending, Refuser refuser) {
    this.pending = pending;
    this.refuser = refuser;
  }

  void make(Change.OfWall change) {
    if (change instanceof Change.SetWall set) {
      set(set);
      return;
    }
    Wall wall = pending.wall(change.wall());
    if (wall == null) {
      refuser.refuse(change, "There is no wall [" + change.wall() + "] (any more).", "Remove this change from the draft.");
    } else if (change instanceof Change.RemoveWall) {
      pending.remove(wall);
    } else if (change instanceof Change.RemoveException remove) {
      if (wall.exceptions().contains(remove.exempt())) {
        pending.put(wall.without(remove.exempt()));
      } else {
        refuser.refuse(change, "The wall has no such exception (any more).", "Remove this change from the draft.");
      }
    } else if (change instanceof Change.AddException add && wall.exceptions().contains(add.exempt())) {
      refuser.refuse(change, "[" + wall.name() + "] excepts them already.", "Remove this change from the draft.");
    } else if (change instanceof Change.AddException add && new Checks(pending, refuser).subject(change, add.exempt().subject()).passed()) {
      pending.put(wall.except(add.exempt()));
    }
  }

  private void set(Change.SetWall set) {
    Checks checks = new Checks(pending, refuser);
    set.changed().barrier().subjects().forEach(subject -> checks.subject(set, subject));
    set.changed().exceptions().forEach(exempt -> checks.subject(set, exempt.subject()));
    set.changed().barrier().scopes().forEach(scope -> {
      scope.places().stream().sorted().forEach(place -> checks.refuseIf(pending.place(place) == null, set,
          "There is no place [" + place + "] (any more).", "Choose places that exist."));
      checks.types(set, scope.types());
    });
    if (checks.passed()) {
      pending.put(set.changed());
    }
  }
}
