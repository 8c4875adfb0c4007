package palegate.server.views;

import java.util.Comparator;
import palegate.core.people.Person;
import palegate.core.structure.Structure;
import palegate.server.lists.SortOrders;

/** The orders in which people are listed, wherever they are. */
public final class PeopleOrder {
  public static final Comparator<Person> BY_NAME = Comparator.comparing(Person::name).thenComparing(Person::id);

  private PeopleOrder() {}

  public static SortOrders<Person> listing(Structure structure) {
    return SortOrders.by("name", BY_NAME).or("unit", Comparator.comparing((Person person) -> unit(person, structure)).thenComparing(BY_NAME))
        .or("login", Comparator.comparing((Person person) -> person.login() == null ? "" : person.login()).thenComparing(BY_NAME));
  }

  /** The name of the person's unit; empty if they have none. */
  public static String unit(Person person, Structure structure) {
    return person.unit() == null ? "" : structure.units().get(person.unit()).name();
  }
}
