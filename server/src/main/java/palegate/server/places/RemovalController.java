package palegate.server.places;

import java.security.Principal;
import java.util.List;
import java.util.stream.IntStream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.changes.PlaceChange;
import palegate.core.places.PlaceKind;
import palegate.core.snapshot.Snapshot;
import palegate.server.changes.ChangeBody;
import palegate.server.drafts.DraftedState;
import palegate.server.shell.Problem;

/** A place with everything below it, to be removed in one draft: counted before anything is drafted. */
@RestController
class RemovalController {
  /**
   * What would go.
   *
   * @param containers folders and libraries, the place itself among them; links and documents are counted beside
   * @param changes that remove it, what is deepest first
   */
  record Removal(int containers, int documents, int links, List<ChangeBody> changes) {}

  /** As many as a draft takes at once. */
  private static final int AT_MOST = 5_000;

  private final DraftedState shown;

  RemovalController(DraftedState shown) {
    this.shown = shown;
  }

  /** As the asker's draft would have it. O(places below). */
  @GetMapping("/api/places/{id}/removal")
  Removal removal(@PathVariable String id, Principal who) {
    Snapshot snapshot = shown.to(who.getName()).after();
    int top = PlacesController.number(snapshot, id);
    int[] places = snapshot.inDisplayOrder(top).toArray();
    if (places.length > AT_MOST) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "too-many-places", "Too much at once",
          "It would remove " + places.length + " places, and a draft takes " + AT_MOST + " changes at once. Remove what is below it part by part.");
    }
    List<ChangeBody> changes = IntStream.range(0, places.length).map(i -> places[places.length - 1 - i]).mapToObj(place -> ChangeBody.of(new PlaceChange.RemovePlace(snapshot.place(place).id()))).toList();
    return new Removal(count(snapshot, places, true, false), count(snapshot, places, false, true), count(snapshot, places, false, false), changes);
  }

  private static int count(Snapshot snapshot, int[] places, boolean containers, boolean documents) {
    return (int) IntStream.of(places).mapToObj(place -> snapshot.place(place).kind()).filter(kind -> kind.isContainer() == containers && (kind == PlaceKind.DOCUMENT) == documents).count();
  }
}
