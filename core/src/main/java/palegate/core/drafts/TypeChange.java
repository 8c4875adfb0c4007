package palegate.core.drafts;

import java.util.Objects;
import palegate.core.duties.Duty;
import palegate.core.types.DocumentType;

/** A change of what a document type is; clearances have changes of their own. */
public sealed interface TypeChange extends Change {
  @Override
  default Duty duty() {
    return Duty.TYPES;
  }


  /**
   * Puts a type there: a new one, or a changed one in the place of the type with that id, which keeps its clearances.
   * Where a field becomes of another kind, the values of documents are converted if they can be and stay if not.
   */
  record SetType(DocumentType type) implements TypeChange {
    public SetType {
      Objects.requireNonNull(type);
    }

    @Override
    public String thing() {
      return "type:" + type.id();
    }
  }

  /** Takes away a type that nothing is of and nothing names. */
  record RemoveType(String type) implements TypeChange {
    public RemoveType {
      Objects.requireNonNull(type);
    }

    @Override
    public String thing() {
      return "type:" + type;
    }
  }
}
