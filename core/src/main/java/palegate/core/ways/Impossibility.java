package palegate.core.ways;

import palegate.core.people.Person;
import palegate.core.roles.Right;
import palegate.core.snapshot.Snapshot;

/** What no change of access can bring about, and why. */
final class Impossibility {
  private Impossibility() {}

  /** A sentence, or null if nothing rules it out. */
  static String of(Snapshot snapshot, WaysTo.Direction direction, Right right, int person) {
    Person who = snapshot.person(person);
    if (direction == WaysTo.Direction.TAKE) {
      return null;
    }
    if (!who.active()) {
      return who.name() + " is not active, and an inactive person has no rights at all. Make the person active first.";
    }
    boolean sees = right == Right.FIND || right == Right.READ;
    if (snapshot.structure().roles().values().stream().noneMatch(role -> role.rights().contains(right))
        && !(sees && who.staff())) {
      return "No role holds " + right.word() + ", so no grant can give it. Make a role that does first.";
    }
    return null;
  }
}
