package palegate.core.changes;

import java.util.Collection;
import java.util.List;
import palegate.core.people.Subject;

/** Whether what a change names is there; whatever is not is refused, and all of it is said. */
final class Checks {
  private final Making on;
  private final Change change;
  private boolean sound = true;

  Checks(Making on, Change change) {
    this.on = on;
    this.change = change;
  }

  /** Whether nothing has been refused by these checks. */
  boolean passed() {
    return sound;
  }

  Checks refuseIf(boolean wrong, String what, String remedy) {
    if (wrong) {
      sound = false;
      on.refuse(change, what, remedy);
    }
    return this;
  }

  /** @param things what would form the cycle, in the plural */
  Checks cycle(String things, List<String> cycle, String remedy) {
    sound = false;
    on.refuse(change, "The " + things + " would form a cycle: " + String.join(" → ", cycle) + ".", remedy, cycle);
    return this;
  }

  Checks subject(Subject subject) {
    boolean known = subject instanceof Subject.OfPerson ? on.pending.person(subject.id()) != null
        : subject instanceof Subject.OfGroup ? on.pending.group(subject.id()) != null
        : !(subject instanceof Subject.OfUnit) || on.pending.unit(subject.id()) != null;
    return refuseIf(!known, "There is no " + subject.kind() + " [" + subject.id() + "] (any more).", "Choose a person, group or unit that exists.");
  }

  Checks role(String role) {
    return refuseIf(on.pending.role(role) == null, "There is no role [" + role + "].", "Choose one of the roles that exist.");
  }

  Checks types(Collection<String> types) {
    types.stream().sorted().forEach(type -> refuseIf(on.pending.type(type) == null, "There is no document type [" + type + "].",
        "Choose one of the types that exist."));
    return this;
  }

  Checks places(Collection<String> places) {
    places.stream().sorted().forEach(place -> refuseIf(on.pending.place(place) == null, "There is no place [" + place + "] (any more).", "Choose places that exist."));
    return this;
  }

  /** @param used what still names it, in words; null if nothing does */
  Checks unused(String name, String used) {
    return refuseIf(used != null, "[" + name + "] is still used: " + used + ".", "Take it away there first.");
  }
}
