package palegate.server.journal;

import java.util.Collection;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.roles.Role;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.core.types.DocumentType;

/** The names that things had after a change; of what the change took away, the names from before it. O(1) each. */
record Names(Structure then, Structure before) {
  String subject(Subject subject) {
    String name = SubjectNames.of(subject, then);
    return name.equals(subject.id()) ? SubjectNames.of(subject, before) : name;
  }

  String person(String id) {
    return subject(new Subject.OfPerson(id));
  }

  String group(String id) {
    return subject(new Subject.OfGroup(id));
  }

  String unit(String id) {
    return subject(new Subject.OfUnit(id));
  }

  String role(String id) {
    return name(id, Structure::roles, Role::name);
  }

  String place(String id) {
    return name(id, Structure::places, Place::name);
  }

  String type(String id) {
    return name(id, Structure::types, DocumentType::name);
  }

  /** Several of one kind, in the order of their ids; null if there are none. */
  String all(Collection<String> ids, Function<String, String> name) {
    return ids.isEmpty() ? null : ids.stream().sorted().map(name).collect(Collectors.joining(", "));
  }

  private <T> String name(String id, Function<Structure, Map<String, T>> among, Function<T, String> name) {
    T thing = among.apply(then).get(id);
    T former = thing == null ? among.apply(before).get(id) : thing;
    return former == null ? id : name.apply(former);
  }
}
