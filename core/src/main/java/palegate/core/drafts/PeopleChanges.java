package palegate.core.drafts;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.people.Unit;

/** Makes changes of people, units and groups: names are kept apart, units form a tree, and what is named somewhere stays. */
final class PeopleChanges {
  private final Pending pending;
  private final Refuser refuser;

  PeopleChanges(Pending pending, Refuser refuser) {
    this.pending = pending;
    this.refuser = refuser;
  }

  void make(PeopleChange change) {
    if (change instanceof PeopleChange.SetPerson set) {
      set(set);
    } else if (change instanceof PeopleChange.SetUnit set) {
      set(set);
    } else if (change instanceof PeopleChange.SetGroup set) {
      if (new Checks(pending, refuser).passed()) {
        Group known = pending.group(set.group());
        pending.put(new Group(set.group(), set.name(), set.description(), known == null ? List.of() : known.members()));
      }
    } else if (change instanceof PeopleChange.RemoveUnit remove) {
      remove(remove);
    } else {
      remove((PeopleChange.RemoveGroup) change);
    }
  }

  private void set(PeopleChange.SetPerson set) {
    Person person = set.person();
    Checks checks = new Checks(pending, refuser)
        .refuseIf(person.unit() != null && pending.unit(person.unit()) == null, set, "There is no unit [" + person.unit() + "].",
            "Choose one of the units that exist, or none.");
    if (person.login() != null) {
      Person other = pending.otherWithLogin(person.login(), person.id());
      checks.refuseIf(other != null, set, "The login [" + person.login() + "] is that of " + (other == null ? "somebody" : other.name()) + ".", "Choose another login.");
    }
    if (checks.passed()) {
      pending.put(person);
    }
  }

  private void set(PeopleChange.SetUnit set) {
    Unit unit = set.unit();
    Checks checks = new Checks(pending, refuser)
        .refuseIf(unit.parent() != null && pending.unit(unit.parent()) == null, set, "There is no unit [" + unit.parent() + "].",
            "Choose one of the units that exist, or none.");
    Map<String, String> above = new LinkedHashMap<>(Map.of(unit.id(), unit.name()));
    for (Unit at = unit; at != null && at.parent() != null; at = pending.unit(at.parent())) {
      if (above.containsKey(at.parent())) {
        checks.cycle(set, "units", Lists.with(List.copyOf(above.values()), above.get(at.parent())), "Choose a unit that is not below this one.");
        break;
      }
      Unit next = pending.unit(at.parent());
      above.put(at.parent(), next == null ? at.parent() : next.name());
    }
    if (checks.passed()) {
      pending.put(unit);
    }
  }

  private void remove(PeopleChange.RemoveUnit remove) {
    Unit unit = pending.unit(remove.unit());
    if (unit == null) {
      refuser.refuse(remove, "There is no unit [" + remove.unit() + "] (any more).", "Remove this change from the draft.");
      return;
    }
    String used = pending.references().unit(unit.id(), pending);
    if (used != null) {
      refuser.refuse(remove, "[" + unit.name() + "] is still used: " + used + ".", "Take it away there first.");
    } else {
      pending.remove(unit);
    }
  }

  private void remove(PeopleChange.RemoveGroup remove) {
    Group group = pending.group(remove.group());
    if (group == null) {
      refuser.refuse(remove, "There is no group [" + remove.group() + "] (any more).", "Remove this change from the draft.");
      return;
    }
    String used = group.members().isEmpty() ? pending.references().group(group.id(), pending) : "it has members";
    if (used != null) {
      refuser.refuse(remove, "[" + group.name() + "] is still used: " + used + ".", "Take it away there first.");
    } else {
      pending.remove(group);
    }
  }
}
