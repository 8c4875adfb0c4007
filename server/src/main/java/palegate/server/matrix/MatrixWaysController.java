package palegate.server.matrix;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.matrix.CellAt;
import palegate.core.matrix.CellCommand;
import palegate.core.matrix.CellWays;
import palegate.core.matrix.Column;
import palegate.core.matrix.Matrix;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.SubjectNames;
import palegate.server.changes.ChangeBody;
import palegate.server.changes.NewIds;
import palegate.server.drafts.DraftedState;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.views.SubjectRef;

/** Many cells at once: the ways of altering them, each with what it would do, before anything is drafted. */
@RestController
class MatrixWaysController {
  /** @param type of documents put into the place; missing for the place itself */
  record CellRef(@NotNull(message = "Name a subject.") @Valid SubjectRef subject, @NotNull(message = "Name a place.") @Size(max = 200, message = "An id has at most 200 characters.") String place,
      @MayBeMissing @Size(max = 200, message = "An id has at most 200 characters.") String type) {}

  /** What is wished: what a role gives, rights more, rights less, nothing given at the places themselves, what another cell has. */
  enum Wish { ROLE, ADD, WITHHOLD, CLEAR, MATCH }

  /**
   * @param role for ROLE
   * @param rights for ADD and WITHHOLD
   * @param like for MATCH
   */
  record WaysAsked(@NotEmpty(message = "Choose at least one cell.") @Size(max = CellWays.CELLS_AT_MOST, message = "At most 5,000 cells at once.") List<@Valid @NotNull(message = "Name a cell.") CellRef> cells,
      @NotNull(message = "Say what is wished.") Wish wish, @MayBeMissing @Size(max = 200, message = "An id has at most 200 characters.") String role,
      @MayBeMissing @Size(max = 9, message = "There are nine rights.") List<String> rights, @MayBeMissing @Valid CellRef like) {}

  /** @param met in how many of the cells it comes to what is wished */
  record MatrixWay(CellWays.Kind kind, List<ChangeBody> changes, int met, RightsDifference.Totals effect, int lockOuts) {}

  /**
   * @param already how many are so already
   * @param noRole how many need a set of rights that is no role's: make one first
   */
  record MatrixWays(int cells, int already, List<MatrixWay> ways, int noRole) {}

  private static final String NOT_WISHED = "What is wished of the cells is not clear.";

  private final DraftedState shown;

  MatrixWaysController(DraftedState shown) {
    this.shown = shown;
  }

  /** Nothing is changed by asking. */
  @PostMapping("/api/matrix/ways")
  MatrixWays ways(@Valid @RequestBody WaysAsked asked, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    CellCommand command = command(asked, state);
    List<CellAt> cells = new ArrayList<>();
    List<Problem.Fault> faults = new ArrayList<>();
    for (int i = 0; i < asked.cells().size(); i++) {
      String where = "cells[" + i + "]";
      cell(asked.cells().get(i), state.after()).ifPresentOrElse(cells::add, () -> faults.add(new Problem.Fault(where, "There is no such cell.", "Choose cells of the matrix that is on the screen.")));
    }
    if (!faults.isEmpty()) {
      throw Problem.faults("Some of the cells are not there; each is listed.", faults);
    }
    CellWays.Answer answer = CellWays.of(state.after(), state.now(), cells, command, () -> NewIds.of("e"));
    if (answer.ways().stream().anyMatch(way -> way.changes().size() > CellWays.CELLS_AT_MOST)) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "too-many-changes", "Too much at once", "That would take more than 5,000 changes. Choose fewer cells.");
    }
    return new MatrixWays(answer.cells(), answer.already(), answer.ways().stream().map(way -> new MatrixWay(way.kind(), way.changes().stream().map(ChangeBody::of).toList(), way.met(), way.effect(), way.lockOuts())).toList(), answer.noRole());
  }

  private static Optional<CellAt> cell(CellRef asked, Snapshot snapshot) {
    Subject subject = asked.subject().subject();
    int place = snapshot.placeNumber(asked.place());
    boolean there = SubjectNames.isThere(subject, snapshot.structure()) && place >= 0
        && (asked.type() == null || snapshot.structure().types().containsKey(asked.type()) && Optional.of(snapshot.place(place)).map(Place::kind).filter(kind -> kind.isContainer()).isPresent());
    return there ? Optional.of(new CellAt(subject, new Column(place, asked.type()))) : Optional.empty();
  }

  private static CellCommand command(WaysAsked asked, DraftedState.State state) {
    return switch (asked.wish()) {
      case CLEAR -> new CellCommand.Clear();
      case ROLE -> {
        if (asked.role() == null || !state.structure().roles().containsKey(asked.role())) {
          throw Problem.faults(NOT_WISHED, List.of(new Problem.Fault("role", "It names no role.", "Choose a role.")));
        }
        yield new CellCommand.SetRole(asked.role());
      }
      case ADD -> new CellCommand.Add(rights(asked));
      case WITHHOLD -> new CellCommand.Withhold(rights(asked));
      case MATCH -> {
        CellAt like = asked.like() == null ? null : cell(asked.like(), state.after()).orElse(null);
        if (like == null) {
          throw Problem.faults(NOT_WISHED, List.of(new Problem.Fault("like", "It names no cell.", "Choose a cell of the matrix that is on the screen.")));
        }
        yield new CellCommand.Match(Matrix.of(state.moment(), state.now(), List.of(like.subject()), List.of(like.column())).cell(0, 0).rights());
      }
    };
  }

  private static Rights rights(WaysAsked asked) {
    List<String> words = asked.rights() == null ? List.of() : asked.rights();
    if (words.isEmpty() || words.stream().anyMatch(word -> word == null || Right.parse(word).isEmpty())) {
      throw Problem.faults(NOT_WISHED, List.of(new Problem.Fault("rights", "It names no right, or something that is none.", "Choose among the nine rights.")));
    }
    return Rights.parse(words);
  }
}
