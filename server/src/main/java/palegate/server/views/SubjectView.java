package palegate.server.views;

import palegate.core.collections.PersonSet;
import palegate.core.people.Subject;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.SubjectNames;

/** A subject with its name, and how many active people it names, outsiders among them. */
public record SubjectView(String kind, String id, String name, int people, int outsiders) {
  public static SubjectView of(Subject subject, SnapshotAt moment) {
    PersonSet named = moment.matching(subject).and(moment.active());
    return new SubjectView(subject.kind(), subject.id(), SubjectNames.of(subject, moment.snapshot().structure()),
        named.size(), named.sizeOfAnd(moment.activeOutsiders()));
  }
}
