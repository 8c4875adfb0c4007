package palegate.server.drafts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import java.util.LinkedHashMap;
import java.util.Map;
import palegate.core.drafts.Change;
import palegate.core.drafts.LayoutChange;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.server.shell.MayBeMissing;

/** Changes of which places there are, where they stand, what they are called and labelled, and what a document is. */
public sealed interface LayoutBody extends ChangeBody {

  @Schema(name = "AddPlace")
  record AddPlace(
      @MayBeMissing String place,
      @NotNull(message = "Say library, folder, document or link.")
      @Pattern(regexp = "library|folder|document|link", message = "Say library, folder, document or link.") String placeKind,
      @NotBlank(message = "Name the place below which it stands.") String parent, @NotBlank(message = "Give the place a name.") String name,
      @MayBeMissing Map<String, String> labels, @MayBeMissing String type, @MayBeMissing String owner, @MayBeMissing String target, @MayBeMissing Boolean standsAlone) implements LayoutBody {
    @Override
    public Change toCore() {
      PlaceKind kind = PlaceKind.parse(placeKind);
      boolean document = kind == PlaceKind.DOCUMENT;
      return new LayoutChange.AddPlace(Place.plain(place, kind, parent, name.strip(), Boolean.TRUE.equals(standsAlone), present(labels), document ? type : null, document ? owner : null,
          kind == PlaceKind.LINK ? target : null));
    }

    @Override
    public ChangeBody withEntry() {
      return place != null ? this : new AddPlace(NewIds.of(placeKind.substring(0, 1)), placeKind, parent, name, labels, type, owner, target, standsAlone);
    }
  }

  @Schema(name = "RenamePlace")
  record RenamePlace(@NotBlank(message = "Name a place.") String place, @NotBlank(message = "Give the place a name.") String name) implements LayoutBody {
    @Override
    public Change toCore() {
      return new LayoutChange.RenamePlace(place, name.strip());
    }
  }

  @Schema(name = "MovePlace")
  record MovePlace(@NotBlank(message = "Name a place.") String place, @NotBlank(message = "Name the place below which it shall stand.") String parent)
      implements LayoutBody {
    @Override
    public Change toCore() {
      return new LayoutChange.MovePlace(place, parent);
    }
  }

  @Schema(name = "SetDocument")
  record SetDocument(@NotBlank(message = "Name a document.") String place, @MayBeMissing String type, @MayBeMissing String owner) implements LayoutBody {
    @Override
    public Change toCore() {
      return new LayoutChange.SetDocument(place, type, owner);
    }
  }

  @Schema(name = "SetLabels")
  record SetLabels(@NotBlank(message = "Name a place.") String place, @NotNull(message = "Give all labels that it is to have.") Map<String, String> labels)
      implements LayoutBody {
    @Override
    public Change toCore() {
      return new Change.SetLabels(place, present(labels));
    }
  }

  @Schema(name = "RemovePlace")
  record RemovePlace(@NotBlank(message = "Name a place.") String place) implements LayoutBody {
    @Override
    public Change toCore() {
      return new LayoutChange.RemovePlace(place);
    }
  }

  /** An empty text is no value. */
  private static Map<String, String> present(Map<String, String> labels) {
    Map<String, String> present = new LinkedHashMap<>();
    if (labels != null) {
      labels.forEach((key, value) -> {
        if (value != null && !value.isBlank() && !key.isBlank()) {
          present.put(key.strip(), value.strip());
        }
      });
    }
    return present;
  }
}
