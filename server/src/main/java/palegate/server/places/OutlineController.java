package palegate.server.places;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Stream;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.changes.PlaceChange;
import palegate.core.places.Outline;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.questions.Conversion;
import palegate.core.types.DocumentType;
import palegate.core.types.FieldValues;
import palegate.server.changes.ChangeBody;
import palegate.server.changes.NewIds;
import palegate.server.drafts.DraftedState;
import palegate.server.shell.MayBeMissing;

/** Many places at once, from a typed or pasted outline: read and shown before anything is drafted. */
@RestController
class OutlineController {
  record OutlineText(@NotBlank(message = "Type or paste some lines.") @Size(max = 1_000_000, message = "At most a million letters at once.") String text) {}

  record ReadItem(int line, int depth, String kind, String name, @MayBeMissing String type) {}

  /** What was read, and the changes that would make it; with any fault there are none. */
  record OutlineView(List<ReadItem> items, List<Outline.Fault> faults, List<ChangeBody> changes) {}

  private final DraftedState shown;

  OutlineController(DraftedState shown) {
    this.shown = shown;
  }

  @PostMapping("/api/places/{id}/outline")
  OutlineView read(@PathVariable String id, @Valid @RequestBody OutlineText text, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    boolean root = state.after().place(PlacesController.number(state.after(), id)).kind() == PlaceKind.REPOSITORY;
    Map<String, String> types = new HashMap<>();
    state.structure().types().values().forEach(type -> {
      types.putIfAbsent(type.name().toLowerCase(Locale.ROOT), type.id());
      types.putIfAbsent(type.id().toLowerCase(Locale.ROOT), type.id());
    });
    Outline.Read read = Outline.read(text.text());
    Function<String, Optional<String>> person = Conversion.people(state.structure());
    List<Outline.Fault> faults = new ArrayList<>(read.faults());
    List<ReadItem> items = new ArrayList<>();
    List<PlaceChange.AddPlace> changes = new ArrayList<>();
    int[] depths = new int[read.items().size()];
    for (Outline.Item item : read.items()) {
      int depth = item.parent() < 0 ? 0 : depths[item.parent()] + 1;
      depths[items.size()] = depth;
      PlaceKind kind = item.document() ? PlaceKind.DOCUMENT : root && depth == 0 ? PlaceKind.LIBRARY : PlaceKind.FOLDER;
      String type = item.type() == null ? null : types.get(item.type().toLowerCase(Locale.ROOT));
      if (item.type() != null && type == null) {
        faults.add(new Outline.Fault(item.line(), "There is no document type called " + item.type() + ".", "Write the name of a type that exists."));
      }
      if (kind == PlaceKind.DOCUMENT && root && depth == 0) {
        faults.add(new Outline.Fault(item.line(), "A document cannot stand directly below the repository.", "Put it below a library."));
      }
      Map<String, String> labels = labels(item, type == null ? null : state.structure().types().get(type), person, faults);
      items.add(new ReadItem(item.line(), depth, kind.word(), item.name(), item.type()));
      changes.add(new PlaceChange.AddPlace(Place.plain(NewIds.of(kind.word().substring(0, 1)), kind, item.parent() < 0 ? id : changes.get(item.parent()).place(),
          item.name(), false, labels, type, null, null)));
    }
    return new OutlineView(items, faults, faults.isEmpty() ? changes.stream().map(ChangeBody::of).toList() : List.of());
  }

  /** The fields of a row by the keys that the type has for them: the heads of the columns are their names. People are named by name. */
  private static Map<String, String> labels(Outline.Item item, DocumentType type, Function<String, Optional<String>> person, List<Outline.Fault> faults) {
    Map<String, String> labels = new HashMap<>();
    item.fields().forEach((head, value) -> (type == null ? Stream.<DocumentType.Field>empty() : type.fields().stream())
        .filter(field -> field.label().equalsIgnoreCase(head) || field.key().equalsIgnoreCase(head)).findFirst()
        .ifPresentOrElse(field -> labels.put(field.key(), FieldValues.in(field, value, person).orElse(value)), () -> faults.add(new Outline.Fault(item.line(),
            type == null ? "Only a document of a type has a field [" + head + "]." : type.name() + " has no field [" + head + "].",
            "Leave the column empty in this line, or name a field of the type in the first line."))));
    return labels;
  }
}
