package palegate.core.changes;

import palegate.core.duties.Duty;

/** A change of what stands at one place, or of the place itself. */
public sealed interface ChangeAtPlace extends Change permits AccessChange, GuardChange, OversightChange, PlaceChange, ShareChange {
  /** The id of the place. */
  String place();

  @Override
  default String thing() {
    return "place:" + place();
  }

  @Override
  default Duty duty() {
    return Duty.ACCESS;
  }
}
