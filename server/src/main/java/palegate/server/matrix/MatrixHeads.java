package palegate.server.matrix;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.Size;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import palegate.core.matrix.Column;
import palegate.core.matrix.GivenRights;
import palegate.core.matrix.MatrixColumns;
import palegate.core.matrix.MatrixRows;
import palegate.core.matrix.Outlier;
import palegate.core.matrix.Outliers;
import palegate.core.people.Subject;
import palegate.core.places.PlaceKind;
import palegate.core.snapshot.Snapshot;
import palegate.core.types.DocumentType;
import palegate.server.drafts.DraftedState;
import palegate.server.shell.Problem;
import palegate.server.store.StateCaches;
import palegate.server.store.WeighedCache;
import palegate.server.views.SubjectRef;

/** What stands at the heads of a matrix that is asked for, and what is worked out about the whole of it; held while its state is. */
@Component
class MatrixHeads {
  /** What is across. */
  enum Across { CONTAINERS, DOCUMENTS, TYPES }

  /**
   * Which matrix.
   *
   * @param top the place at and below which it is; the repository if it is left out
   * @param rows by which rule the subjects are chosen; left out for those that are named
   * @param subject those that are named, as {@code kind:id}
   * @param across containers below the place, documents too, or types of documents put directly into it
   */
  record MatrixAsked(@Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED) @Size(max = 200, message = "An id has at most 200 characters.") String top, @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED) MatrixRows.Rule rows,
      @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED) @Size(max = 200, message = "At most 200 subjects are chosen by hand.") List<@Size(max = 220, message = "A subject has at most 220 characters.") String> subject, @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED) Across across) {
    MatrixAsked {
      subject = subject == null ? List.of() : List.copyOf(subject);
      across = across == null ? Across.CONTAINERS : across;
    }
  }

  /**
   * What stands at its heads.
   *
   * @param places empty if types are across
   * @param columns what is across, in either case
   * @param rowsLeft how many subjects are left out for being too many
   */
  record Heads(Snapshot snapshot, int top, List<MatrixRows.Row> rows, int rowsLeft, List<MatrixColumns.PlaceColumn> places, int placesLeft, List<Column> columns) {
    /** By which a page knows that positions are those of the heads it shows. O(rows + columns). */
    String digest() {
      long digest = 1;
      for (MatrixRows.Row row : rows) {
        digest = digest * 1_000_003 + row.subject().kind().hashCode() * 31L + row.subject().id().hashCode();
      }
      for (Column column : columns) {
        digest = digest * 1_000_003 + snapshot.place(column.place()).id().hashCode() * 31L + Objects.hashCode(column.type());
      }
      return Long.toHexString(digest);
    }

    /** One row and one column of it. */
    Heads only(int row, int column) {
      return new Heads(snapshot, top, List.of(rows.get(row)), 0, List.of(), 0, List.of(columns.get(column)));
    }

    List<Subject> subjects() {
      return rows.stream().map(MatrixRows.Row::subject).toList();
    }
  }

  /** With what is given in every cell, and which depart. */
  record Whole(Heads heads, GivenRights given, List<Outlier> outliers) {}

  private static final int KEPT_OF_A_STATE = 8;

  private final WeighedCache<Snapshot, Map<MatrixAsked, Held>> heads;
  private final WeighedCache<Snapshot, Map<MatrixAsked, Whole>> whole;

  MatrixHeads(StateCaches caches) {
    heads = caches.few(3, Duration.ofMinutes(5));
    whole = caches.few(3, Duration.ofMinutes(5));
  }

  /** The heads of a matrix on the drafted state. Whoever asks again while the state is the same is given what was put together. */
  Heads of(MatrixAsked asked, DraftedState.State state) {
    Map<MatrixAsked, Held> known = heads.get(state.after(), any -> new ConcurrentHashMap<>());
    Held held = known.get(asked);
    if (held == null || !state.after().sameBetween(held.at(), state.now())) {
      if (known.size() >= KEPT_OF_A_STATE) {
        known.clear();
      }
      held = new Held(made(asked, state), state.now());
      known.put(asked, held);
    }
    return held.heads();
  }

  private record Held(Heads heads, Instant at) {}

  private Heads made(MatrixAsked asked, DraftedState.State state) {
    Snapshot snapshot = state.after();
    int top = asked.top() == null || asked.top().isEmpty() ? (snapshot.placeCount() == 0 ? -1 : snapshot.placeNumber(snapshot.structure().repository().orElseThrow().id())) : snapshot.placeNumber(asked.top());
    if (asked.top() != null && !asked.top().isEmpty() && top < 0) {
      throw Problem.notFound("place", asked.top());
    }
    if (top >= 0 && !snapshot.place(top).kind().isContainer()) {
      throw Problem.notFound("container", asked.top());
    }
    Set<Subject> chosen = asked.rows() != null ? top < 0 ? Set.of() : MatrixRows.chosen(state.moment(), state.now(), asked.rows(), top)
        : asked.subject().stream().filter(text -> SubjectRef.isThere(text, snapshot.structure())).map(text -> SubjectRef.parse(text).subject()).collect(Collectors.toSet());
    List<MatrixRows.Row> all = MatrixRows.arranged(state.moment(), chosen);
    List<MatrixRows.Row> rows = all.size() <= MatrixRows.AT_MOST ? all : all.subList(0, MatrixRows.AT_MOST);
    if (asked.across() == Across.TYPES || top < 0) {
      return new Heads(snapshot, top, rows, all.size() - rows.size(), List.of(), 0, top < 0 ? List.of() : types(snapshot, top).map(type -> Column.ofType(top, type.id())).toList());
    }
    MatrixColumns.Places places = MatrixColumns.below(snapshot, top, asked.across() == Across.DOCUMENTS, MatrixColumns.AT_MOST);
    return new Heads(snapshot, top, rows, all.size() - rows.size(), places.columns(), places.left(), places.columns().stream().map(column -> Column.of(column.place())).toList());
  }

  /** Those that may be filed there, by name. */
  private static Stream<DocumentType> types(Snapshot snapshot, int top) {
    List<String> libraries = snapshot.path(top).stream().map(snapshot::place).filter(place -> place.kind() == PlaceKind.LIBRARY).map(place -> place.id()).toList();
    return snapshot.structure().types().values().stream().filter(type -> libraries.isEmpty() || type.libraries().isEmpty() || type.libraries().stream().anyMatch(libraries::contains))
        .sorted(Comparator.comparing(DocumentType::name, String.CASE_INSENSITIVE_ORDER).thenComparing(DocumentType::id));
  }

  /** The whole of it. Whoever asks again while the state is the same is given what was worked out. */
  Whole whole(MatrixAsked asked, DraftedState.State state) {
    Map<MatrixAsked, Whole> known = whole.get(state.after(), any -> new ConcurrentHashMap<>());
    Whole held = known.get(asked);
    if (held == null || !state.after().sameBetween(held.given().instant(), state.now())) {
      if (known.size() >= KEPT_OF_A_STATE) {
        known.clear();
      }
      Heads asThere = of(asked, state);
      GivenRights given = GivenRights.of(state.moment(), state.now(), asThere.subjects(), asThere.columns());
      held = new Whole(asThere, given, asThere.places().isEmpty() ? Outliers.ofTypes(given, asThere.rows()) : Outliers.of(given, asThere.rows(), asThere.places()));
      known.put(asked, held);
    }
    return held;
  }

  /** The same heads in another state: of what is not there, nothing is given. */
  static GivenRights givenIn(Heads heads, Snapshot other, Instant at) {
    List<Column> columns = heads.columns().stream().map(column -> new Column(other.placeNumber(heads.snapshot().place(column.place()).id()), column.type())).toList();
    return GivenRights.of(other.at(at), at, heads.subjects(), columns);
  }
}
