package palegate.server.lists;

import palegate.core.people.PairList;

/** The orders of lists of people at places, as they are asked for. */
public final class PairOrder {
  private PairOrder() {}

  /** Of {@code place} and {@code person}. */
  public static PairList.Order of(Part.Order order) {
    return order.by().equals("person") ? PairList.Order.PERSON : PairList.Order.PLACE;
  }
}
