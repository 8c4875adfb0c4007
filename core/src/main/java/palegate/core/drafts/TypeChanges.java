package palegate.core.drafts;

import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Set;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.questions.Conversion;
import palegate.core.types.DocumentType;

/** Makes changes of document types and of their clearances. */
final class TypeChanges {
  private final Pending pending;
  private final Refuser refuser;

  TypeChanges(Pending pending, Refuser refuser) {
    this.pending = pending;
    this.refuser = refuser;
  }

  void make(TypeChange change) {
    if (change instanceof TypeChange.SetType set) {
      set(set);
      return;
    }
    TypeChange.RemoveType remove = (TypeChange.RemoveType) change;
    DocumentType type = pending.type(remove.type());
    String used = type == null ? null : pending.references().type(type.id(), pending);
    if (type == null) {
      refuser.refuse(change, "There is no document type [" + remove.type() + "] (any more).", "Remove this change from the draft.");
    } else if (used != null) {
      refuser.refuse(change, "[" + type.name() + "] is still used: " + used + ".", "Take it away there first.");
    } else {
      pending.remove(type);
    }
  }

  private void set(TypeChange.SetType set) {
    DocumentType type = set.type();
    Checks checks = new Checks(pending, refuser);
    Set<String> keys = new HashSet<>();
    for (DocumentType.Field field : type.fields()) {
      checks.refuseIf(field.key().isBlank(), set, "A field has no key.", "Give every field a key.")
          .refuseIf(!keys.add(field.key()), set, "The field [" + field.key() + "] stands twice.", "Give one of them another key.")
          .refuseIf(field.kind() == DocumentType.Kind.CHOICE && field.choices().isEmpty(), set, "The field [" + field.key() + "] has nothing to choose from.",
              "List at least one choice.");
    }
    for (String library : type.libraries()) {
      Place place = pending.place(library);
      checks.refuseIf(place == null || place.kind() != PlaceKind.LIBRARY, set, "There is no library [" + library + "].", "Choose libraries that exist.");
    }
    if (checks.passed()) {
      DocumentType known = pending.type(type.id());
      convert(type);
      pending.put(known == null ? type : type.cleared(known.clearances()));
    }
  }

  private void convert(DocumentType type) {
    Map<String, Map<String, String>> labels = new HashMap<>();
    for (Conversion.Converted converted : Conversion.of(pending.result(), type)) {
      if (converted.after() != null) {
        labels.computeIfAbsent(converted.document().id(), any -> new HashMap<>(converted.document().labels())).put(converted.field().key(), converted.after());
      }
    }
    labels.forEach((id, changed) -> pending.put(pending.place(id).labelled(changed)));
  }

  void make(Change.OfType change) {
    DocumentType type = pending.type(change.type());
    if (type == null) {
      refuser.refuse(change, "There is no document type [" + change.type() + "] (any more).", "Remove this change from the draft.");
    } else if (change instanceof Change.AddClearance add) {
      Checks checks = new Checks(pending, refuser).subject(change, add.clearance().subject()).role(change, add.clearance().role())
          .refuseIf(type.clearances().contains(add.clearance()), change, "[" + type.name() + "] has the very same clearance already.", "Remove this change from the draft.");
      if (checks.passed()) {
        pending.put(type.cleared(Lists.with(type.clearances(), add.clearance())));
      }
    } else if (change instanceof Change.RemoveClearance remove) {
      if (type.clearances().contains(remove.clearance())) {
        pending.put(type.cleared(Lists.without(type.clearances(), remove.clearance())));
      } else {
        refuser.refuse(change, "[" + type.name() + "] has no such clearance (any more).", "Remove this change from the draft.");
      }
    }
  }
}
