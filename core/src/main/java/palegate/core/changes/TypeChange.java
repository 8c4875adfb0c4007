package palegate.core.changes;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import palegate.core.duties.Duty;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.questions.Conversion;
import palegate.core.types.DocumentType;

/** A change of what a document type is; clearances have {@link ClearanceChange changes of their own}. */
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
    private static final Shape<DocumentType.Field> FIELD = Shape.<DocumentType.Field>named("FieldOfType")
        .needed("key", FieldType.KEY, "Give the field a key.", DocumentType.Field::key)
        .needed("label", FieldType.NAME, "Give the field a name.", DocumentType.Field::label)
        .needed("kind", FieldType.constant(DocumentType.Kind.class), "Say what the field holds.", DocumentType.Field::kind)
        .optional("choices", FieldType.list(FieldType.VALUE, 0, FieldType.LIST_AT_MOST, "choices"), DocumentType.Field::choices)
        .flag("required", DocumentType.Field::required)
        .optional("width", FieldType.whole(1, 400, "A column is at least one letter wide and at most 400."), DocumentType.Field::width)
        .flag("hidden", DocumentType.Field::hidden).optional("help", FieldType.STRIPPED_TEXT, DocumentType.Field::help)
        .readBy(values -> new DocumentType.Field(values.text("key"), values.text("label"), values.get("kind"),
            values.get("kind") == DocumentType.Kind.CHOICE ? values.list("choices") : List.of(), values.flag("required"), values.get("width"),
            values.flag("hidden"), values.text("help")));

    static final Shape<SetType> SHAPE = Shape.<SetType>named("SetType")
        .made("type", "t", set -> set.type.id()).needed("name", FieldType.NAME, "Give the type a name.", set -> set.type.name())
        .optional("shortName", FieldType.OTHER_NAME, set -> set.type.shortName()).flag("guarded", set -> set.type.guarded())
        .ids("libraries", "libraries", set -> set.type.libraries())
        .needed("fields", FieldType.list(FIELD, 0, FieldType.LIST_AT_MOST, "fields"), "List the fields, even if there are none.", set -> set.type.fields())
        .readBy(values -> new SetType(new DocumentType(values.text("type"), values.text("name"), values.text("shortName"), values.flag("guarded"),
            values.set("libraries"), values.list("fields"), List.of())));

    public SetType {
      Objects.requireNonNull(type);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.SET_TYPE;
    }

    @Override
    public String thing() {
      return "type:" + type.id();
    }

    @Override
    public void make(Making on) {
      Checks checks = on.checks(this);
      Set<String> keys = new HashSet<>();
      for (DocumentType.Field field : type.fields()) {
        checks.refuseIf(!keys.add(field.key()), "The field [" + field.key() + "] stands twice.", "Give one of them another key.")
            .refuseIf(field.kind() == DocumentType.Kind.CHOICE && field.choices().isEmpty(), "The field [" + field.key() + "] has nothing to choose from.",
                "List at least one choice.");
      }
      for (String library : type.libraries()) {
        Place place = on.pending.place(library);
        checks.refuseIf(place == null || place.kind() != PlaceKind.LIBRARY, "There is no library [" + library + "].", "Choose libraries that exist.");
      }
      if (checks.passed()) {
        DocumentType known = on.pending.type(type.id());
        convert(on.pending);
        on.pending.put(known == null ? type : type.cleared(known.clearances()));
      }
    }

    private void convert(Pending pending) {
      Map<String, Map<String, String>> labels = new HashMap<>();
      for (Conversion.Converted converted : Conversion.of(pending.result(), type)) {
        if (converted.after() != null) {
          labels.computeIfAbsent(converted.document().id(), any -> new HashMap<>(converted.document().labels())).put(converted.field().key(), converted.after());
        }
      }
      labels.forEach((id, changed) -> pending.put(pending.place(id).labelled(changed)));
    }

    @Override
    public String words(Wording names) {
      int fields = type.fields().size();
      return (names.before().types().containsKey(type.id()) ? "Change the type " : "Make the type ") + type.name() + (type.guarded() ? ", guarded" : ", open")
          + ", with " + fields + (fields == 1 ? " field" : " fields");
    }
  }

  /** Takes away a type that nothing is of and nothing names. */
  record RemoveType(String type) implements TypeChange {
    static final Shape<RemoveType> SHAPE = Shape.<RemoveType>named("RemoveType")
        .needed("type", FieldType.ID, "Name a type.", RemoveType::type).readBy(values -> new RemoveType(values.text("type")));

    public RemoveType {
      Objects.requireNonNull(type);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REMOVE_TYPE;
    }

    @Override
    public String thing() {
      return "type:" + type;
    }

    @Override
    public void make(Making on) {
      DocumentType known = on.pending.type(type);
      if (known == null) {
        on.refuseGone(this, "There is no document type [" + type + "] (any more).");
      } else if (on.checks(this).unused(known.name(), on.pending.references().type(type, on.pending)).passed()) {
        on.pending.remove(known);
      }
    }

    @Override
    public String words(Wording names) {
      return "Remove the type " + names.name("type", type);
    }
  }
}
