package palegate.server.palette;

import java.security.Principal;
import java.util.List;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.snapshot.Snapshot;
import palegate.server.drafts.DraftedState;
import palegate.server.shell.MayBeMissing;
import palegate.server.viewpoint.KnownChanges;
import palegate.server.viewpoint.Things;

/** What things are called, as far as whoever asks may know them now. */
@RestController
class ThingsController {
  /** {@code path} of a place. */
  record NamedThing(String thing, String name, @MayBeMissing String path) {}

  private static final int AT_MOST = 100;

  private final DraftedState shown;
  private final KnownChanges changes;

  ThingsController(DraftedState shown, KnownChanges changes) {
    this.shown = shown;
    this.changes = changes;
  }

  /** Those of the first {@value #AT_MOST} that may be known, in the order in which they were asked for; the others are left out, as if there were none. O(things). */
  @GetMapping("/api/things")
  List<NamedThing> things(@RequestParam List<String> thing, Principal who) {
    Snapshot snapshot = shown.to(who.getName()).after();
    return thing.stream().limit(AT_MOST).filter(one -> changes.knows(who.getName(), one)).map(one -> named(snapshot, one)).flatMap(Optional::stream).toList();
  }

  private static Optional<NamedThing> named(Snapshot snapshot, String thing) {
    int place = thing.startsWith("place:") ? snapshot.placeNumber(thing.substring("place:".length())) : -1;
    return Things.nameOf(snapshot.structure(), thing).map(name -> new NamedThing(thing, name, place < 0 ? null : snapshot.pathText(place)));
  }
}
