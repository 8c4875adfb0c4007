package palegate.server.lists;

import palegate.core.people.PeopleAtPlaces;

/** The orders of lists of people at places, as they are asked for. */
public final class PairOrder {
  private PairOrder() {}

  /** Of {@code place} and {@code person}. */
  public static PeopleAtPlaces.Order of(PageRequest.Order order) {
    return order.by().equals("person") ? PeopleAtPlaces.Order.PERSON : PeopleAtPlaces.Order.PLACE;
  }
}
