package palegate.core.questions;

import palegate.core.people.Subject;
import palegate.core.structure.Structure;

/** The name of a subject. */
public final class SubjectWords {
  private SubjectWords() {}

  public static String of(Subject subject, Structure structure) {
    if (subject instanceof Subject.OfPerson) {
      return structure.people().get(subject.id()).name();
    }
    if (subject instanceof Subject.OfGroup) {
      return structure.groups().get(subject.id()).name();
    }
    return subject instanceof Subject.OfUnit ? structure.units().get(subject.id()).name() : ((Subject.BuiltIn) subject).title();
  }
}
