package palegate.core.changes;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import palegate.core.duties.Duty;
import palegate.core.people.Group;
import palegate.core.people.Person;
import palegate.core.people.Unit;

/** A change of a person, a unit, or what a group is called. Nobody is ever erased: whoever leaves becomes inactive. */
public sealed interface PeopleChange extends Change {
  @Override
  default Duty duty() {
    return Duty.PEOPLE;
  }

  /** Puts a person there: a new one, or a changed one in the place of the person with that id. */
  record SetPerson(Person person) implements PeopleChange {
    static final Shape<SetPerson> SHAPE = Shape.<SetPerson>named("SetPerson")
        .made("person", "p", set -> set.person.id()).needed("name", FieldType.NAME, "Give the person a name.", set -> set.person.name())
        .optional("login", FieldType.LOGIN, set -> set.person.login()).optional("email", FieldType.EMAIL, set -> set.person.email())
        .flag("external", set -> set.person.external()).flag("active", true, set -> set.person.active())
        .optional("unit", FieldType.ID, set -> set.person.unit())
        .readBy(values -> new SetPerson(new Person(values.text("person"), values.text("name"), values.text("login"), values.text("email"),
            values.flag("external"), values.flag("active"), values.text("unit"))));

    public SetPerson {
      Objects.requireNonNull(person);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.SET_PERSON;
    }

    @Override
    public String thing() {
      return "person:" + person.id();
    }

    @Override
    public void make(Making on) {
      Checks checks = on.checks(this).refuseIf(person.unit() != null && on.pending.unit(person.unit()) == null, "There is no unit [" + person.unit() + "].",
          "Choose one of the units that exist, or none.");
      if (person.login() != null) {
        Person other = on.pending.otherWithLogin(person.login(), person.id());
        checks.refuseIf(other != null, "The login [" + person.login() + "] is that of " + (other == null ? "somebody" : other.name()) + ".", "Choose another login.");
      }
      if (checks.passed()) {
        on.pending.put(person);
      }
    }

    @Override
    public String words(Wording names) {
      String state = person.active() ? person.external() ? "an outsider" : "on staff" : "not active";
      return (names.before().people().containsKey(person.id()) ? "Change " : "Add ") + person.name() + ", " + state
          + (person.unit() == null ? "" : ", " + names.name("unit", person.unit()));
    }
  }

  /** Puts a unit there: a new one, or a changed one in the place of the unit with that id. */
  record SetUnit(Unit unit) implements PeopleChange {
    static final Shape<SetUnit> SHAPE = Shape.<SetUnit>named("SetUnit")
        .made("unit", "u", set -> set.unit.id()).needed("name", FieldType.NAME, "Give the unit a name.", set -> set.unit.name())
        .optional("parent", FieldType.ID, set -> set.unit.parent())
        .readBy(values -> new SetUnit(new Unit(values.text("unit"), values.text("name"), values.text("parent"))));

    public SetUnit {
      Objects.requireNonNull(unit);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.SET_UNIT;
    }

    @Override
    public String thing() {
      return "unit:" + unit.id();
    }

    @Override
    public void make(Making on) {
      Checks checks = on.checks(this).refuseIf(unit.parent() != null && on.pending.unit(unit.parent()) == null, "There is no unit [" + unit.parent() + "].",
          "Choose one of the units that exist, or none.");
      Map<String, String> above = new LinkedHashMap<>(Map.of(unit.id(), unit.name()));
      for (Unit at = unit; at != null && at.parent() != null; at = on.pending.unit(at.parent())) {
        if (above.containsKey(at.parent())) {
          checks.cycle("units", Lists.with(List.copyOf(above.values()), above.get(at.parent())), "Choose a unit that is not below this one.");
          break;
        }
        Unit next = on.pending.unit(at.parent());
        above.put(at.parent(), next == null ? at.parent() : next.name());
      }
      if (checks.passed()) {
        on.pending.put(unit);
      }
    }

    @Override
    public String words(Wording names) {
      return (names.before().units().containsKey(unit.id()) ? "Change the unit " : "Make the unit ") + unit.name()
          + (unit.parent() == null ? "" : " below " + names.name("unit", unit.parent()));
    }
  }

  /** Takes away a unit in which nobody sits and that nothing names. */
  record RemoveUnit(String unit) implements PeopleChange {
    static final Shape<RemoveUnit> SHAPE = Shape.<RemoveUnit>named("RemoveUnit")
        .needed("unit", FieldType.ID, "Name a unit.", RemoveUnit::unit).readBy(values -> new RemoveUnit(values.text("unit")));

    public RemoveUnit {
      Objects.requireNonNull(unit);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REMOVE_UNIT;
    }

    @Override
    public String thing() {
      return "unit:" + unit;
    }

    @Override
    public void make(Making on) {
      Unit known = on.pending.unit(unit);
      if (known == null) {
        on.refuseGone(this, "There is no unit [" + unit + "] (any more).");
      } else if (on.checks(this).unused(known.name(), on.pending.references().unit(unit, on.pending)).passed()) {
        on.pending.remove(known);
      }
    }

    @Override
    public String words(Wording names) {
      return "Remove the unit " + names.name("unit", unit);
    }
  }

  /** Makes a group, or renames and describes it anew; its members stay. {@code description} may be null. */
  record SetGroup(String group, String name, String description) implements PeopleChange {
    static final Shape<SetGroup> SHAPE = Shape.<SetGroup>named("SetGroup")
        .made("group", "g", SetGroup::group).needed("name", FieldType.NAME, "Give the group a name.", SetGroup::name)
        .optional("description", FieldType.STRIPPED_TEXT, SetGroup::description)
        .readBy(values -> new SetGroup(values.text("group"), values.text("name"), values.text("description")));

    public SetGroup {
      Objects.requireNonNull(group);
      Objects.requireNonNull(name);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.SET_GROUP;
    }

    @Override
    public String thing() {
      return "group:" + group;
    }

    @Override
    public void make(Making on) {
      Group known = on.pending.group(group);
      boolean renamed = known == null || !known.name().equals(name);
      if (renamed && on.pending.otherGroupNamed(name, group)) {
        on.refuseTakenName(this, "There is a group called [" + name + "] already.", "Choose another name, or use that group.");
      }
      on.pending.put(new Group(group, name, description, known == null ? List.of() : known.members()));
    }

    @Override
    public String words(Wording names) {
      return (names.before().groups().containsKey(group) ? "Call a group " : "Make the group ") + name;
    }
  }

  /** Takes away a group without members that nothing names. */
  record RemoveGroup(String group) implements PeopleChange {
    static final Shape<RemoveGroup> SHAPE = Shape.<RemoveGroup>named("RemoveGroup")
        .needed("group", FieldType.ID, "Name a group.", RemoveGroup::group).readBy(values -> new RemoveGroup(values.text("group")));

    public RemoveGroup {
      Objects.requireNonNull(group);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REMOVE_GROUP;
    }

    @Override
    public String thing() {
      return "group:" + group;
    }

    @Override
    public void make(Making on) {
      Group known = on.pending.group(group);
      if (known == null) {
        on.refuseGone(this, "There is no group [" + group + "] (any more).");
      } else if (on.checks(this).unused(known.name(), known.members().isEmpty() ? on.pending.references().group(group, on.pending) : "it has members").passed()) {
        on.pending.remove(known);
      }
    }

    @Override
    public String words(Wording names) {
      return "Remove the group " + names.name("group", group);
    }
  }
}
