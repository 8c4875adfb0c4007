package palegate.core.findings;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.changes.TypeChange;
import palegate.core.text.Counted;
import palegate.core.types.DocumentType;

/** Guarded document types cleared for nobody. */
final class TypeClearedForNobody implements Rule {
  @Override
  public String code() {
    return "type-cleared-for-nobody";
  }

  @Override
  public Severity severity() {
    return Severity.GRAVE;
  }

  @Override
  public String title() {
    return "guarded document types cleared for nobody";
  }

  @Override
  public String matters() {
    return "Nobody can read documents of the type, whatever the lists say.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.structure().types().values().stream().filter(DocumentType::guarded)
        .filter(type -> forNobody(survey, type))
        .sorted(Comparator.comparing(DocumentType::id))
        .map(type -> new Finding(code(), severity(), "type:" + type.id(), "", "“" + type.name() + "” is guarded, and nobody active is cleared for it.", List.of(Counted.of(survey.snapshot().documentsOf(type.id()).count(), "document is", "documents are") + " of it."),
            List.of(Fix.of("Make it an open type, for whoever the lists let in", new TypeChange.SetType(type.guarded(false))))));
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }

  static boolean forNobody(Survey survey, DocumentType type) {
    return type.clearances().stream().noneMatch(clearance -> clearance.period().holdsAt(survey.now()) && !survey.people(clearance.subject()).isEmpty());
  }
}
