package palegate.server.places;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.parameters.RequestBody;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.papers.ContentIntake;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.store.Contents;
import palegate.server.store.Openings;
import palegate.server.viewpoint.Viewpoints;

/** What is really in a document. Duties give no rights on it: whoever opens or replaces it needs the rights of a person. */
@RestController
class ContentController {
  /** What there is to know without opening it. */
  record ContentView(boolean mayRead, boolean mayRevise, @MayBeMissing String mediaType, @MayBeMissing Integer bytes, @MayBeMissing String putBy, @MayBeMissing Instant putAt) {}

  private final Contents contents;
  private final Openings openings;
  private final ContentIntake intake;
  private final Viewpoints viewpoints;
  private final Clock clock;

  ContentController(Contents contents, Openings openings, ContentIntake intake, Viewpoints viewpoints, Clock clock) {
    this.contents = contents;
    this.openings = openings;
    this.intake = intake;
    this.viewpoints = viewpoints;
    this.clock = clock;
  }

  @GetMapping("/api/places/{id}/content/about")
  ContentView about(@PathVariable String id, Principal who) {
    Rights rights = rights(id, who);
    Optional<Contents.About> about = rights.contains(Right.READ) ? contents.about(id) : Optional.empty();
    return new ContentView(rights.contains(Right.READ), rights.contains(Right.REVISE), about.map(Contents.About::mediaType).orElse(null),
        about.map(Contents.About::bytes).orElse(null), about.map(Contents.About::putBy).orElse(null), about.map(Contents.About::putAt).orElse(null));
  }

  @GetMapping("/api/places/{id}/content")
  ResponseEntity<byte[]> content(@PathVariable String id, @RequestParam(defaultValue = "0") int version, @RequestParam(defaultValue = "false") boolean copy, Principal who) {
    Right needed = copy ? Right.COPY : Right.READ;
    boolean may = rights(id, who).contains(needed);
    String person = viewpoints.asker(who.getName()).id();
    if (person != null && viewpoints.asker(who.getName()).finds(id)) {
      openings.add(person, id, !may ? Openings.How.REFUSED : copy ? Openings.How.COPY : Openings.How.OPEN, clock.instant());
    }
    if (!may) {
      throw notYours(copy ? "copy" : "read");
    }
    Contents.Content content = contents.find(id, version).orElseThrow(() -> Problem.notFound("content of the document", id));
    String name = viewpoints.asker(who.getName()).state().snapshot().structure().places().get(id).name();
    return ResponseEntity.ok().contentType(MediaType.parseMediaType(content.mediaType()))
        .header(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename(name, StandardCharsets.UTF_8).build().toString())
        .header("X-Content-Type-Options", "nosniff").body(content.bytes());
  }

  @PutMapping("/api/places/{id}/content")
  @Operation(requestBody = @RequestBody(required = true, content = @Content(mediaType = "application/octet-stream", schema = @Schema(type = "string", format = "binary"))))
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void put(@PathVariable String id, @RequestHeader(HttpHeaders.CONTENT_TYPE) String mediaType, InputStream body, Principal who) throws IOException {
    refuseUnlessRevising(id, viewpoints.of(who.getName()));
    // The gate has bounded it; only now is it read. That may take a while, after which it is asked again whether it may be.
    byte[] bytes = body.readNBytes(Contents.BYTES_AT_MOST + 1);
    intake.keep(id, mediaType, bytes, who.getName(), viewpoint -> refuseUnlessRevising(id, viewpoint));
  }

  private static void refuseUnlessRevising(String id, Viewpoint viewpoint) {
    if (!rights(id, viewpoint).contains(Right.REVISE)) {
      throw notYours("revise");
    }
  }

  private Rights rights(String id, Principal who) {
    return rights(id, viewpoints.of(who.getName()));
  }

  /** The rights now of the person to whom the account belongs. */
  private static Rights rights(String id, Viewpoint viewpoint) {
    if (!viewpoint.mayKnow(id)) {
      throw Problem.notFound("place", id);
    }
    return viewpoint.asker().rightsOnDocument(id);
  }

  private static Problem notYours(String right) {
    return Problem.of(HttpStatus.FORBIDDEN, "right-missing", "Not allowed",
        "Your duties let you administer the document; to do this you need the right [" + right + "] on it, as a person.");
  }
}
