package palegate.core.drafts;

import java.util.Objects;
import palegate.core.duties.Duty;
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
    public SetPerson {
      Objects.requireNonNull(person);
    }

    @Override
    public String thing() {
      return "person:" + person.id();
    }
  }

  /** Puts a unit there: a new one, or a changed one in the place of the unit with that id. */
  record SetUnit(Unit unit) implements PeopleChange {
    public SetUnit {
      Objects.requireNonNull(unit);
    }

    @Override
    public String thing() {
      return "unit:" + unit.id();
    }
  }

  /** Takes away a unit in which nobody sits and that nothing names. */
  record RemoveUnit(String unit) implements PeopleChange {
    public RemoveUnit {
      Objects.requireNonNull(unit);
    }

    @Override
    public String thing() {
      return "unit:" + unit;
    }
  }

  /** Makes a group, or renames and describes it anew; its members stay. {@code description} may be null. */
  record SetGroup(String group, String name, String description) implements PeopleChange {
    public SetGroup {
      Objects.requireNonNull(group);
      Objects.requireNonNull(name);
    }

    @Override
    public String thing() {
      return "group:" + group;
    }
  }

  /** Takes away a group without members that nothing names. */
  record RemoveGroup(String group) implements PeopleChange {
    public RemoveGroup {
      Objects.requireNonNull(group);
    }

    @Override
    public String thing() {
      return "group:" + group;
    }
  }
}
