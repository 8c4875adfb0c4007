package palegate.core.findings;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.changes.TypeChange;
import palegate.core.collections.PersonSet;
import palegate.core.roles.Right;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;

/** Guarded document types cleared for everybody. */
final class TypeClearedForEverybody implements Rule {
  @Override
  public String code() {
    return "type-cleared-for-everybody";
  }

  @Override
  public Severity severity() {
    return Severity.SERIOUS;
  }

  @Override
  public String title() {
    return "guarded document types cleared for everybody";
  }

  @Override
  public String matters() {
    return "It looks guarded and is not.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.structure().types().values().stream().filter(DocumentType::guarded).sorted(Comparator.comparing(DocumentType::id)).flatMap(type -> {
      PersonSet open = PersonSet.NOBODY;
      for (Clearance clearance : type.clearances()) {
        if (clearance.period().holdsAt(survey.now()) && survey.structure().roles().get(clearance.role()).rights().contains(Right.READ)) {
          open = open.or(survey.people(clearance.subject()));
        }
      }
      return survey.moment().activeStaff().isEmpty() || !survey.moment().activeStaff().minus(open).isEmpty() ? Stream.empty() : Stream.of(new Finding(code(), severity(), "type:" + type.id(), "",
          "“" + type.name() + "” is guarded, and all staff may read it.", List.of(), List.of(Fix.of("Make it an open type, for whoever the lists let in", new TypeChange.SetType(type.guarded(false))))));
    });
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }
}
