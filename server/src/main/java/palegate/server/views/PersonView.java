package palegate.server.views;

import palegate.core.people.Person;
import palegate.core.structure.Structure;
import palegate.server.shell.MayBeMissing;

/** A person as the interface shows them; {@code unit} is a name, {@code unitId} its id, or null. */
public record PersonView(String id, String name, @MayBeMissing String login, @MayBeMissing String email, boolean external, boolean active,
    @MayBeMissing String unit, @MayBeMissing String unitId) {
  public static PersonView of(Person person, Structure structure) {
    String unit = person.unit() == null ? null : structure.units().get(person.unit()).name();
    return new PersonView(person.id(), person.name(), person.login(), person.email(), person.external(), person.active(), unit, person.unit());
  }
}
