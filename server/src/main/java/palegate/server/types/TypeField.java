package palegate.server.types;

import java.util.List;
import palegate.core.types.DocumentType;
import palegate.server.shell.MayBeMissing;

/** One field of a document type, as it is shown. */
public record TypeField(String key, String label, DocumentType.Kind kind, List<String> choices, boolean required, @MayBeMissing Integer width, boolean hidden,
    @MayBeMissing String help) {
  public static TypeField of(DocumentType.Field field) {
    return new TypeField(field.key(), field.label(), field.kind(), field.choices(), field.required(), field.width(), field.hidden(), field.help());
  }
}
