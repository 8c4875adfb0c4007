package palegate.server.journal;

import java.security.Principal;
import java.time.Instant;
import java.util.List;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.snapshot.Snapshot;
import palegate.server.lists.PageRequest;
import palegate.server.shell.Page;
import palegate.server.store.Contents;
import palegate.server.viewpoint.Viewpoints;

/** Content that was put into documents: the one act outside drafts that alters a place, and no change holds it. */
@RestController
@RequestMapping("/api/journal/contents")
class ContentPutsController {
  /** @param version the first content of a document is version 1 */
  record ContentPut(String place, String path, int version, String mediaType, String by, Instant at) {}

  /** @param cut whether there are older ones that are not listed */
  record ContentPuts(boolean cut, Page<ContentPut> puts) {}

  private static final int LISTED_AT_MOST = 20_000;

  private final Contents contents;
  private final Viewpoints viewpoints;

  ContentPutsController(Contents contents, Viewpoints viewpoints) {
    this.contents = contents;
    this.viewpoints = viewpoints;
  }

  /** Newest first, of the documents that may be known; the text finds a path or a name. */
  @GetMapping
  ContentPuts contents(@ParameterObject PageRequest part, Principal who) {
    Snapshot state = viewpoints.known(who.getName()).snapshot();
    // Whether there are older ones is asked of those alone that may be known.
    List<Contents.Put> known = contents.newest(place -> state.placeNumber(place) >= 0, LISTED_AT_MOST + 1);
    List<Contents.Put> found = known.stream().limit(LISTED_AT_MOST)
        .filter(put -> part.takesAll() || part.takes(state.pathText(state.placeNumber(put.place())), put.by())).toList();
    return new ContentPuts(known.size() > LISTED_AT_MOST, Page.of(found, part.offset(), part.limit(),
        put -> new ContentPut(put.place(), state.pathText(state.placeNumber(put.place())), put.version(), put.mediaType(), put.by(), put.at())));
  }
}
