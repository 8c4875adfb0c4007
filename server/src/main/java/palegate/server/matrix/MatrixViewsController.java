package palegate.server.matrix;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.matrix.MatrixRows;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.shell.Written;
import palegate.server.store.MatrixViews;
import palegate.server.viewpoint.Viewpoints;
import palegate.server.views.SubjectRef;
import tools.jackson.databind.json.JsonMapper;

/** Matrices under names: which subjects and places, not what is in the cells. One's own, and those that colleagues share. */
@RestController
@RequestMapping("/api/matrix/views")
class MatrixViewsController {
  /**
   * What is looked at.
   *
   * @param turned whether places go down and subjects across
   */
  record MatrixLook(@MayBeMissing @Size(max = 200, message = "An id has at most 200 characters.") String top, @MayBeMissing MatrixRows.Rule rows,
      @NotNull(message = "Name the subjects, or none.") @Size(max = 200, message = "At most 200 subjects are chosen by hand.") List<@NotNull(message = "Name a subject.") @Size(max = 220, message = "A subject has at most 220 characters.") String> subject,
      @NotNull(message = "Say what is across.") MatrixHeads.Across across, boolean turned) {}

  /** @param keptAt since when: what has changed in it since can be asked for */
  record KeptMatrix(long id, String name, boolean mine, boolean shared, Instant keptAt, MatrixLook look) {}

  record MatrixToKeep(@NotBlank(message = "Give it a name.") @Size(max = 200, message = "A name has at most 200 characters.") String name, boolean shared, @NotNull(message = "Say what is looked at.") @Valid MatrixLook look) {}

  private static final int KEPT_AT_MOST = 100;

  private final MatrixViews kept;
  private final Viewpoints viewpoints;
  private final JsonMapper json;
  private final Clock clock;

  MatrixViewsController(MatrixViews kept, Viewpoints viewpoints, JsonMapper json, Clock clock) {
    this.kept = kept;
    this.viewpoints = viewpoints;
    this.json = json;
    this.clock = clock;
  }

  /** Those that name nothing that one may not know; one's own are shown as long as what they name is there. */
  @GetMapping
  List<KeptMatrix> views(Principal who) {
    Structure known = viewpoints.known(who.getName()).snapshot().structure();
    return kept.of(who.getName()).stream().map(one -> new KeptMatrix(one.id(), one.name(), one.account().equals(who.getName()), one.shared(), one.keptAt(), json.readValue(one.asked(), MatrixLook.class)))
        .filter(one -> isKnown(one.look(), known)).toList();
  }

  private static boolean isKnown(MatrixLook look, Structure known) {
    return (look.top() == null || known.places().containsKey(look.top())) && look.subject().stream().allMatch(subject -> SubjectRef.isThere(subject, known));
  }

  /** Keeps one under a name, in the place of one's own of that name. */
  @PostMapping
  List<KeptMatrix> keep(@Valid @RequestBody MatrixToKeep asked, Principal who) {
    new Written().name("name", asked.name()).refuse("The matrix was not kept.");
    if (!isKnown(asked.look(), viewpoints.known(who.getName()).snapshot().structure())) {
      throw Problem.faults("The matrix was not kept.", List.of(new Problem.Fault("look", "It names something that is not there.", "Choose places and subjects that are on the screen.")));
    }
    if (!kept.keep(who.getName(), asked.name().strip(), asked.shared(), json.writeValueAsString(asked.look()), clock.instant(), KEPT_AT_MOST)) {
      throw Problem.of(HttpStatus.CONFLICT, "too-many-views", "Too many are kept", "You have kept 100 matrices, which is as many as there can be. Let go of one first.");
    }
    return views(who);
  }

  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void forget(@PathVariable long id, Principal who) {
    if (!kept.forget(who.getName(), id)) {
      throw Problem.notFound("matrix kept under a name", Long.toString(id));
    }
  }
}
