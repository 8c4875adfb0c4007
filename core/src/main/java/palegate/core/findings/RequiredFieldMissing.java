package palegate.core.findings;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.snapshot.Snapshot;
import palegate.core.types.DocumentType;

/** Documents that lack what their type requires. */
final class RequiredFieldMissing implements Rule {
  @Override
  public String code() {
    return "required-field-missing";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "documents that lack what their type requires";
  }

  @Override
  public String matters() {
    return "They are not found by it, and no wall or rule that goes by it covers them.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    Snapshot snapshot = survey.snapshot();
    return survey.structure().types().values().stream().sorted(Comparator.comparing(DocumentType::id)).flatMap(type -> type.fields().stream().filter(DocumentType.Field::required).flatMap(field -> {
      List<Integer> lacking = snapshot.documentsOf(type.id()).filter(place -> snapshot.effectiveLabel(place, field.key()) == null).boxed().sorted(snapshot.inTreeOrder()).toList();
      return lacking.isEmpty() ? Stream.empty() : Stream.of(new Finding(code(), severity(), "type:" + type.id(), field.key(), lacking.size() + (lacking.size() == 1 ? " document" : " documents") + " of the type “" + type.name() + "” lack “"
          + (field.label() == null ? field.key() : field.label()) + "”.", survey.cut(lacking.stream().map(snapshot::pathText).toList()), List.of()));
    }));
  }
}
