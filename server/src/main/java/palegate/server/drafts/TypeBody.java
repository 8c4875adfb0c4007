package palegate.server.drafts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Instant;
import java.util.List;
import java.util.Set;
import palegate.core.drafts.Change;
import palegate.core.drafts.TypeChange;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.core.duties.Duty;
import palegate.server.shell.MayBeMissing;

/** Changes of document types and of who is cleared for them. */
public sealed interface TypeBody extends ChangeBody {
  @Override
  default Duty duty() {
    return Duty.TYPES;
  }

  @Schema(name = "TypeField")
  record TypeField(
      @NotBlank(message = "Give the field a key.") @Size(max = 100, message = "A key has at most 100 characters.") String key,
      @NotBlank(message = "Give the field a name.") @Size(max = 300, message = "A name has at most 300 characters.") String label,
      @NotNull(message = "Say what the field holds.") DocumentType.Kind kind, @MayBeMissing List<String> choices, boolean required,
      @Min(value = 1, message = "A column is at least one letter wide.") @Max(value = 400, message = "A column is at most 400 letters wide.") @MayBeMissing Integer width,
      boolean hidden, @Size(max = 2000, message = "A help text has at most 2,000 characters.") @MayBeMissing String help) {
    DocumentType.Field toCore() {
      return new DocumentType.Field(key.strip(), label.strip(), kind, choices == null || kind != DocumentType.Kind.CHOICE ? List.of() : choices, required,
          width, hidden, help == null || help.isBlank() ? null : help.strip());
    }

    public static TypeField of(DocumentType.Field field) {
      return new TypeField(field.key(), field.label(), field.kind(), field.choices(), field.required(), field.width(), field.hidden(), field.help());
    }
  }

  @Schema(name = "SetType")
  record SetType(
      @MayBeMissing String type, @NotBlank(message = "Give the type a name.") String name, @MayBeMissing String shortName, boolean guarded,
      @MayBeMissing List<String> libraries, @NotNull(message = "List the fields, even if there are none.") List<@Valid TypeField> fields) implements TypeBody {
    @Override
    public Change toCore() {
      return new TypeChange.SetType(documentType());
    }

    /** The type without its clearances, which have changes of their own. */
    public DocumentType documentType() {
      return new DocumentType(type, name.strip(), shortName == null || shortName.isBlank() ? null : shortName.strip(), guarded,
          libraries == null ? Set.of() : Set.copyOf(libraries), fields.stream().map(TypeField::toCore).toList(), List.of());
    }

    @Override
    public ChangeBody withEntry() {
      return type != null ? this : new SetType(NewIds.of("t"), name, shortName, guarded, libraries, fields);
    }
  }

  @Schema(name = "RemoveType")
  record RemoveType(@NotBlank(message = "Name a type.") String type) implements TypeBody {
    @Override
    public Change toCore() {
      return new TypeChange.RemoveType(type);
    }
  }

  @Schema(name = "AddClearance")
  record AddClearance(
      @NotBlank(message = "Name a type.") String type, @NotNull(message = "Name a person, group or unit.") @Valid SubjectRef subject,
      @NotBlank(message = "Choose a role.") String role, @MayBeMissing Instant from, @MayBeMissing Instant until) implements TypeBody {
    @Override
    public Change toCore() {
      return new Change.AddClearance(type, new Clearance(subject.toCore(), role, ChangeBody.period(from, until)));
    }
  }

  @Schema(name = "RemoveClearance")
  record RemoveClearance(
      @NotBlank(message = "Name a type.") String type, @NotNull(message = "Name a person, group or unit.") @Valid SubjectRef subject,
      @NotBlank(message = "Choose a role.") String role, @MayBeMissing Instant from, @MayBeMissing Instant until) implements TypeBody {
    @Override
    public Change toCore() {
      return new Change.RemoveClearance(type, new Clearance(subject.toCore(), role, ChangeBody.period(from, until)));
    }
  }
}
