package palegate.core.reversal;

import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Stream;
import palegate.core.approvals.ApprovalRule;
import palegate.core.changes.ApprovalChange;
import palegate.core.changes.Change;
import palegate.core.changes.ClearanceChange;
import palegate.core.changes.DutyChange;
import palegate.core.changes.MembershipChange;
import palegate.core.changes.PeopleChange;
import palegate.core.changes.RoleChange;
import palegate.core.changes.TypeChange;
import palegate.core.changes.WallChange;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Group;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/** Undoes what a change did to people, units, groups, roles, types, walls, rules of approval and duties. */
final class UndoingRest {
  private final Undoing undoing;

  UndoingRest(Undoing undoing) {
    this.undoing = undoing;
  }

  /** What is to come back must be there before anything names it again. */
  void bringBackNamed() {
    for (String id : Undoing.inOrder(undoing.undone.units())) {
      setBack("unit:" + id, undoing.before.units().get(id), undoing.after.units().get(id), undoing.now.units().get(id),
          () -> new PeopleChange.SetUnit(undoing.before.units().get(id)));
    }
    for (String id : Undoing.inOrder(undoing.undone.roles())) {
      setBack("role:" + id, undoing.before.roles().get(id), undoing.after.roles().get(id), undoing.now.roles().get(id),
          () -> new RoleChange.SetRole(undoing.before.roles().get(id)));
    }
    for (String id : Undoing.inOrder(undoing.undone.groups())) {
      Group was = undoing.before.groups().get(id);
      setBack("group:" + id, called(was), called(undoing.after.groups().get(id)), called(undoing.now.groups().get(id)),
          () -> new PeopleChange.SetGroup(id, was.name(), was.description()));
    }
    for (String id : Undoing.inOrder(undoing.undone.types())) {
      DocumentType was = undoing.before.types().get(id);
      setBack("type:" + id, bare(was), bare(undoing.after.types().get(id)), bare(undoing.now.types().get(id)), () -> new TypeChange.SetType(was.cleared(List.of())));
    }
  }

  /** Field by field; whoever came with the change stays, but is no longer active. */
  void setBackPeople() {
    for (String id : Undoing.inOrder(undoing.undone.people())) {
      Person was = undoing.before.people().get(id);
      Person made = undoing.after.people().get(id);
      Person is = undoing.now.people().get(id);
      String thing = "person:" + id;
      if (is == null || made == null) {
        setBack(thing, was, made, is, () -> new PeopleChange.SetPerson(was));
      } else if (was == null && !is.equals(made)) {
        undoing.leave(thing, "They were altered again since.");
      } else if (was == null) {
        undoing.changes.add(new PeopleChange.SetPerson(new Person(id, is.name(), is.login(), is.email(), is.external(), false, is.unit())));
      } else {
        Person merged = new Person(id, undoing.merged(thing, was.name(), made.name(), is.name(), "The name"),
            undoing.merged(thing, was.login(), made.login(), is.login(), "The login"), undoing.merged(thing, was.email(), made.email(), is.email(), "The e-mail address"),
            undoing.merged(thing, was.external(), made.external(), is.external(), "Whether they are an outsider"),
            undoing.merged(thing, was.active(), made.active(), is.active(), "Whether they are active"), undoing.merged(thing, was.unit(), made.unit(), is.unit(), "The unit"));
        if (!merged.equals(is)) {
          undoing.changes.add(new PeopleChange.SetPerson(merged));
        }
      }
    }
  }

  void setBackMemberships() {
    for (String id : Undoing.inOrder(undoing.undone.groups())) {
      Set<Membership> had = members(undoing.before.groups().get(id));
      Set<Membership> made = members(undoing.after.groups().get(id));
      Set<Membership> are = members(undoing.now.groups().get(id));
      made.stream().filter(member -> !had.contains(member)).forEach(member -> {
        if (are.contains(member)) {
          undoing.changes.add(new MembershipChange.RemoveMember(id, member));
        } else {
          undoing.leave("group:" + id, "A member has been taken out since.");
        }
      });
      had.stream().filter(member -> !made.contains(member)).forEach(member -> {
        boolean there = are.stream().anyMatch(other -> !made.contains(other) && other.member().equals(member.member()) && other.period().overlaps(member.period()));
        if (there) {
          undoing.leave("group:" + id, "A member has come back since.");
        } else {
          undoing.changes.add(new MembershipChange.AddMember(id, member));
        }
      });
    }
  }

  void setBackClearances() {
    for (String id : Undoing.inOrder(undoing.undone.types())) {
      DocumentType was = undoing.before.types().get(id);
      List<Clearance> had = clearances(was);
      List<Clearance> made = clearances(undoing.after.types().get(id));
      List<Clearance> are = clearances(undoing.now.types().get(id));
      made.stream().filter(clearance -> was != null && !had.contains(clearance)).forEach(clearance -> {
        if (are.contains(clearance)) {
          undoing.changes.add(new ClearanceChange.RemoveClearance(id, clearance));
        } else {
          undoing.leave("type:" + id, "A clearance has been taken away since.");
        }
      });
      had.stream().filter(clearance -> !made.contains(clearance) && !are.contains(clearance))
          .forEach(clearance -> undoing.changes.add(new ClearanceChange.AddClearance(id, clearance)));
    }
  }

  void setBackWalls() {
    for (String id : Undoing.inOrder(undoing.undone.walls())) {
      Wall was = undoing.before.walls().get(id);
      Wall made = undoing.after.walls().get(id);
      Wall is = undoing.now.walls().get(id);
      if (was != null && made != null && is != null && was.except(List.of()).equals(made.except(List.of()))) {
        setBackExceptions(was, made, is);
      } else if (undoing.setsBack("wall:" + id, was, made, is, "The wall")) {
        undoing.changes.add(was != null ? new WallChange.SetWall(was) : new WallChange.RemoveWall(id));
      } else if (was == null && is == null) {
        undoing.leave("wall:" + id, "It has been taken away since.");
      }
    }
  }

  /** Only the exceptions differ: whatever else has become of the wall since stays. */
  private void setBackExceptions(Wall was, Wall made, Wall is) {
    made.exceptions().stream().filter(exempt -> !was.exceptions().contains(exempt)).forEach(exempt -> {
      if (is.exceptions().contains(exempt)) {
        undoing.changes.add(new WallChange.RemoveException(was.id(), exempt));
      } else {
        undoing.leave("wall:" + was.id(), "The exception has been taken away since.");
      }
    });
    was.exceptions().stream().filter(exempt -> !made.exceptions().contains(exempt) && !is.exceptions().contains(exempt))
        .forEach(exempt -> undoing.changes.add(new WallChange.AddException(was.id(), exempt)));
  }

  void setBackApprovals() {
    for (String id : Undoing.inOrder(undoing.undone.approvals())) {
      ApprovalRule was = undoing.before.approvals().get(id);
      if (undoing.setsBack("approval:" + id, was, undoing.after.approvals().get(id), undoing.now.approvals().get(id), "The rule of approval")) {
        undoing.changes.add(was != null ? new ApprovalChange.SetApproval(was) : new ApprovalChange.RemoveApproval(id));
      }
    }
  }

  void setBackDuties() {
    for (String id : Undoing.inOrder(undoing.undone.duties())) {
      DutyAssignment was = undoing.before.duties().get(id);
      if (undoing.setsBack("duty:" + id, was, undoing.after.duties().get(id), undoing.now.duties().get(id), "The duty")) {
        undoing.changes.add(was != null ? new DutyChange.SetDuty(was) : new DutyChange.RemoveDuty(id));
      }
    }
  }

  /** What the change made goes last: by now nothing should name it. */
  void removeMade() {
    made("type", undoing.undone.types(), Structure::types).forEach(id -> undoing.changes.add(new TypeChange.RemoveType(id)));
    Set<String> groups = new HashSet<>();
    Undoing.inOrder(undoing.undone.groups()).stream()
        .filter(id -> !undoing.before.groups().containsKey(id) && undoing.now.groups().containsKey(id)).forEach(id -> {
          if (called(undoing.now.groups().get(id)).equals(called(undoing.after.groups().get(id)))) {
            groups.add(id);
          } else {
            undoing.leave("group:" + id, "It was altered again since.");
          }
        });
    groups.stream().sorted().forEach(id -> undoing.changes.add(new PeopleChange.RemoveGroup(id)));
    made("role", undoing.undone.roles(), Structure::roles).forEach(id -> undoing.changes.add(new RoleChange.RemoveRole(id)));
    made("unit", undoing.undone.units(), Structure::units).forEach(id -> undoing.changes.add(new PeopleChange.RemoveUnit(id)));
  }

  private <T> Stream<String> made(String kind, Set<String> altered, Function<Structure, Parts<T>> parts) {
    Parts<T> now = parts.apply(undoing.now);
    return Undoing.inOrder(altered).stream().filter(id -> !parts.apply(undoing.before).containsKey(id) && now.containsKey(id)).filter(id -> {
      boolean same = now.get(id).equals(parts.apply(undoing.after).get(id));
      if (!same) {
        undoing.leave(kind + ":" + id, "It was altered again since.");
      }
      return same;
    });
  }

  /** What existed before and was altered, or taken away, becomes as it was, unless it has been altered since. */
  private void setBack(String thing, Object was, Object made, Object is, Supplier<Change> change) {
    if (was != null && undoing.setsBack(thing, was, made, is, "It")) {
      undoing.changes.add(change.get());
    } else if (was != null && made != null && is == null && !Objects.equals(was, made)) {
      undoing.leave(thing, "It has been taken away since.");
    }
  }

  /** What a group is called, without its members. */
  private static Group called(Group group) {
    return group == null ? null : group.with(List.of());
  }

  private static DocumentType bare(DocumentType type) {
    return type == null ? null : type.cleared(List.of());
  }

  private static Set<Membership> members(Group group) {
    return group == null ? Set.of() : new LinkedHashSet<>(group.members());
  }

  private static List<Clearance> clearances(DocumentType type) {
    return type == null ? List.of() : type.clearances();
  }
}
