package palegate.core.drafts;

import java.util.Collection;
import java.util.List;
import palegate.core.people.Subject;

/** Whether what a change names is there; whatever is not is refused. */
final class Checks {
  private final Pending pending;
  private final Refuser refuser;
  private boolean sound = true;

  Checks(Pending pending, Refuser refuser) {
    this.pending = pending;
    this.refuser = (change, what, remedy, cycle) -> {
      sound = false;
      refuser.refuse(change, what, remedy, cycle);
    };
  }

  /** Whether nothing has been refused by these checks. */
  boolean passed() {
    return sound;
  }

  Checks refuseIf(boolean wrong, Change change, String what, String remedy) {
    if (wrong) {
      refuser.refuse(change, what, remedy);
    }
    return this;
  }

  Checks cycle(Change change, String things, List<String> cycle, String remedy) {
    refuser.refuseCycle(change, things, cycle, remedy);
    return this;
  }

  Checks subject(Change change, Subject subject) {
    boolean known = subject instanceof Subject.OfPerson ? pending.person(subject.id()) != null
        : subject instanceof Subject.OfGroup ? pending.group(subject.id()) != null
        : !(subject instanceof Subject.OfUnit) || pending.unit(subject.id()) != null;
    return refuseIf(!known, change, "There is no " + subject.kind() + " [" + subject.id() + "] (any more).", "Choose a person, group or unit that exists.");
  }

  Checks role(Change change, String role) {
    return refuseIf(pending.role(role) == null, change, "There is no role [" + role + "].", "Choose one of the roles that exist.");
  }

  Checks types(Change change, Collection<String> types) {
    types.stream().sorted().forEach(type -> refuseIf(pending.type(type) == null, change, "There is no document type [" + type + "].",
        "Choose one of the types that exist."));
    return this;
  }
}
