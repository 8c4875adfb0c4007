package palegate.core.structure;

import palegate.core.people.Subject;

/** The names of subjects as the interface shows them. */
public final class SubjectNames {
  private SubjectNames() {}

  /** The subject's name; its id if it has left the structure. */
  public static String of(Subject subject, Structure structure) {
    if (subject instanceof Subject.BuiltIn builtIn) {
      return builtIn.title();
    }
    if (subject instanceof Subject.OfPerson) {
      return structure.people().containsKey(subject.id()) ? structure.people().get(subject.id()).name() : subject.id();
    }
    if (subject instanceof Subject.OfGroup) {
      return structure.groups().containsKey(subject.id()) ? structure.groups().get(subject.id()).name() : subject.id();
    }
    return structure.units().containsKey(subject.id()) ? structure.units().get(subject.id()).name() : subject.id();
  }

  /** Whether a structure has the subject. */
  public static boolean isThere(Subject subject, Structure structure) {
    return switch (subject.kind()) {
      case "person" -> structure.people().containsKey(subject.id());
      case "group" -> structure.groups().containsKey(subject.id());
      case "unit" -> structure.units().containsKey(subject.id());
      default -> true;
    };
  }
}
