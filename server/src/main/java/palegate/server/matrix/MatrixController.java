package palegate.server.matrix;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.access.Entry;
import palegate.core.collections.PersonSet;
import palegate.core.matrix.Column;
import palegate.core.matrix.GivenRights;
import palegate.core.matrix.Matrix;
import palegate.core.matrix.MatrixFilter;
import palegate.core.matrix.MatrixRows;
import palegate.core.matrix.Outlier;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.questions.PeopleByRights;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.SubjectNames;
import palegate.server.drafts.DraftedState;
import palegate.server.session.MadeReady;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.shell.Written;
import palegate.server.store.History;
import palegate.server.viewpoint.Viewpoints;
import palegate.server.views.EntryView;
import palegate.server.views.PeopleOrder;
import palegate.server.views.PersonView;
import palegate.server.views.SubjectRef;

/** Subjects against places, or types of documents, on the structure as the asker's draft would have it. */
@RestController
@RequestMapping("/api/matrix")
class MatrixController implements MadeReady {
  /** @param parent the position of the row it stands in, or -1 */
  record RowHead(String kind, String id, String name, int depth, int parent, int people, int outsiders) {}

  /**
   * There may be twenty thousand of them.
   *
   * @param kind of place, or {@code type}
   * @param parent the position of the column of the place it stands below, or -1
   * @param standsAlone missing if it does not
   * @param walled missing if no wall is around it
   */
  record ColumnHead(String id, String name, String kind, int depth, int parent, @MayBeMissing Boolean standsAlone, @MayBeMissing Boolean walled) {}

  /**
   * @param top the container that was chosen; missing for whoever may know none
   * @param heads which they are: positions that are told with another word for it are those of other heads
   * @param rowsLeft how many rows were left out for being too many
   */
  record MatrixHeadsView(String heads, @MayBeMissing String top, @MayBeMissing String topPath, List<RowHead> rows, int rowsLeft, List<ColumnHead> columns, int columnsLeft) {}

  /**
   * A block of cells.
   *
   * @param types whether the columns are types, of documents put into {@code container}
   */
  record CellsAsked(@NotNull(message = "Name the rows.") @Size(max = 200, message = "At most 200 rows at once.") List<@Valid @NotNull(message = "Name a subject.") SubjectRef> rows,
      @NotNull(message = "Name the columns.") @Size(max = 400, message = "At most 400 columns at once.") List<@NotNull(message = "Name a place or a type.") @Size(max = 200, message = "An id has at most 200 characters.") String> columns, boolean types,
      @MayBeMissing @Size(max = 200, message = "An id has at most 200 characters.") String container) {}

  /**
   * Row after row, as numbers, because there are thousands: rights (bits in the order of the rights), withheld (likewise), where they come from (0 here, 1 above, 2 through a
   * group, 3 nothing), how many people have exactly that, more, less; and rights before the draft, or -1 where the draft alters nothing. Of what is not there, nothing is given.
   */
  record MatrixCellsView(int[][] cells) {}

  /** @param how EXACTLY, MORE, LESS or OTHERWISE, which is both */
  record CellPeople(List<String> rights, String how, int count, List<PersonView> people) {}

  record CellReason(Matrix.Because because, int people) {}

  /**
   * What is behind a cell.
   *
   * @param entries that make it so: those that name the subject, then those of what it is in
   * @param moreEntries how many are not listed
   * @param reasons why people differ, of those asked about
   * @param differing how many have something else than the cell says; @param asked of how many of them reasons are told
   */
  record CellBehind(RowHead subject, ColumnHead column, String path, List<String> rights, List<String> withheld, Matrix.From from, @MayBeMissing List<String> before, @MayBeMissing OutlierView outlier, List<EntryView> entries, int moreEntries, List<CellReason> reasons, int differing, int asked, List<CellPeople> people) {}

  record PatternView(List<String> usual, int alike, int of) {}

  /** @param along what is usual in its row, among columns that are alike; @param down in its column, among rows that are alike */
  record OutlierView(int row, int column, List<String> rights, @MayBeMissing PatternView along, @MayBeMissing PatternView down, boolean lacks, double measure) {}

  /**
   * Cells of a kind.
   *
   * @param heads of which heads the positions are
   * @param total how many there are, also beyond those that are listed
   * @param found positions of the cells, of 100,000 at most
   * @param outliers what is strange about them, if outliers were asked for: the strangest first, 1,000 at most
   */
  record MatrixFound(String heads, int total, List<MatrixFilter.InRow> found, List<OutlierView> outliers) {}

  private static final int PEOPLE_AT_MOST = 100;
  private static final int ENTRIES_AT_MOST = 100;
  /** Each is explained stage by stage. */
  private static final int REASONS_OF_AT_MOST = 2_000;
  private static final int OUTLIERS_AT_MOST = 1_000;

  private final MatrixHeads heads;
  private final DraftedState shown;
  private final Viewpoints viewpoints;
  private final History history;

  MatrixController(MatrixHeads heads, DraftedState shown, Viewpoints viewpoints, History history) {
    this.heads = heads;
    this.shown = shown;
    this.viewpoints = viewpoints;
    this.history = history;
  }

  @Override
  public String room() {
    return "matrix";
  }

  /** The matrix that one comes to first: of all groups. */
  @Override
  public List<Object> makeReady(String account) {
    return List.of(heads(new MatrixHeads.MatrixAsked(null, MatrixRows.Rule.GROUPS, List.of(), MatrixHeads.Across.CONTAINERS), account));
  }

  @GetMapping("/heads")
  MatrixHeadsView heads(@Valid @ParameterObject MatrixHeads.MatrixAsked asked, Principal who) {
    return heads(asked, who.getName());
  }

  private MatrixHeadsView heads(MatrixHeads.MatrixAsked asked, String account) {
    DraftedState.State state = shown.to(account);
    MatrixHeads.Heads made = heads.of(asked, state);
    return new MatrixHeadsView(made.digest(), made.top() < 0 ? null : state.after().place(made.top()).id(), made.top() < 0 ? null : state.after().pathText(made.top()),
        made.rows().stream().map(row -> rowHead(row, state.moment())).toList(), made.rowsLeft(), columnHeads(made, state.moment()), made.placesLeft());
  }

  private static RowHead rowHead(MatrixRows.Row row, SnapshotAt moment) {
    PersonSet people = moment.matching(row.subject()).and(moment.active());
    return new RowHead(row.subject().kind(), row.subject().id(), SubjectNames.of(row.subject(), moment.snapshot().structure()), row.depth(), row.parent(), people.size(), people.sizeOfAnd(moment.activeOutsiders()));
  }

  private static List<ColumnHead> columnHeads(MatrixHeads.Heads heads, SnapshotAt moment) {
    if (heads.places().isEmpty()) {
      return heads.columns().stream().map(column -> columnHead(column, 0, -1, moment)).toList();
    }
    return heads.places().stream().map(column -> columnHead(Column.of(column.place()), column.depth(), column.parent(), moment)).toList();
  }

  private static ColumnHead columnHead(Column column, int depth, int parent, SnapshotAt moment) {
    Place place = moment.snapshot().place(column.place());
    return column.type() != null ? new ColumnHead(column.type(), moment.snapshot().structure().types().get(column.type()).name(), "type", 0, -1, null, null)
        : new ColumnHead(place.id(), place.name(), place.kind().word(), depth, parent, place.standsAlone() ? true : null, moment.walls().surround(column.place()) ? true : null);
  }

  /** A block of cells. */
  @PostMapping("/cells")
  MatrixCellsView cells(@Valid @RequestBody CellsAsked asked, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    List<Subject> subjects = asked.rows().stream().map(SubjectRef::subject).toList();
    int[][] cells = new int[asked.rows().size() * asked.columns().size()][];
    fill(cells, state.moment(), state.now(), subjects, asked, true);
    if (state.before() != state.after()) {
      fill(cells, state.before().at(state.now()), state.now(), subjects, asked, false);
    }
    return new MatrixCellsView(cells);
  }

  private static void fill(int[][] cells, SnapshotAt moment, Instant now, List<Subject> subjects, CellsAsked asked, boolean after) {
    Snapshot snapshot = moment.snapshot();
    int container = asked.container() == null ? -1 : snapshot.placeNumber(asked.container());
    int[] columns = IntStream.range(0, asked.columns().size()).filter(i -> asked.types() ? container >= 0 && snapshot.structure().types().containsKey(asked.columns().get(i)) : snapshot.placeNumber(asked.columns().get(i)) >= 0).toArray();
    int[] rows = IntStream.range(0, subjects.size()).filter(i -> SubjectNames.isThere(subjects.get(i), snapshot.structure())).toArray();
    Matrix matrix = Matrix.of(moment, now, IntStream.of(rows).mapToObj(subjects::get).toList(),
        IntStream.of(columns).mapToObj(i -> asked.types() ? Column.ofType(container, asked.columns().get(i)) : Column.of(snapshot.placeNumber(asked.columns().get(i)))).toList());
    Matrix.Cell[] found = new Matrix.Cell[cells.length];
    for (int r = 0; r < rows.length; r++) {
      for (int c = 0; c < columns.length; c++) {
        found[rows[r] * asked.columns().size() + columns[c]] = matrix.cell(r, c);
      }
    }
    for (int i = 0; i < cells.length; i++) {
      Matrix.Cell cell = found[i] == null ? new Matrix.Cell(Rights.NONE, Rights.NONE, Matrix.From.NOTHING, 0, 0, 0, 0) : found[i];
      if (after) {
        cells[i] = new int[] {cell.rights().mask(), cell.withheld().mask(), cell.from().ordinal(), cell.exactly(), cell.more(), cell.less(), -1};
      } else if (cell.rights().mask() != cells[i][0]) {
        cells[i][6] = cell.rights().mask();
      }
    }
  }

  /** What makes one cell so, and its people, told apart by what they have. */
  @GetMapping("/cell")
  CellBehind cell(@Valid @ParameterObject MatrixHeads.MatrixAsked asked, @RequestParam String of, @RequestParam String column, Principal who) {
    DraftedState.State state = shown.to(who.getName());
    MatrixHeads.Whole whole = heads.whole(asked, state);
    int row = rowOf(whole, of);
    int at = columnOf(whole, column);
    MatrixRows.Row rowHead = whole.heads().rows().get(row);
    Subject subject = rowHead.subject();
    Column head = whole.heads().columns().get(at);
    Matrix matrix = Matrix.of(state.moment(), state.now(), List.of(subject), List.of(head));
    Matrix.Cell cell = matrix.cell(0, 0);
    Rights before = state.before() == state.after() ? cell.rights() : MatrixHeads.givenIn(whole.heads().only(row, at), state.before(), state.now()).rights(0, 0);
    List<Entry> entries = Matrix.entries(state.moment(), state.now(), subject, head);
    Matrix.Reasons reasons = head.type() != null ? new Matrix.Reasons(Map.of(), 0, 0) : matrix.because(0, 0, REASONS_OF_AT_MOST);
    ColumnHead columnHead = whole.heads().places().isEmpty() ? columnHead(head, 0, -1, state.moment()) : columnHead(head, whole.heads().places().get(at).depth(), whole.heads().places().get(at).parent(), state.moment());
    return new CellBehind(rowHead(rowHead, state.moment()), columnHead, state.after().pathText(head.place()), cell.rights().words(), cell.withheld().words(), cell.from(), before.equals(cell.rights()) ? null : before.words(),
        whole.outliers().stream().filter(one -> one.row() == row && one.column() == at).findFirst().map(MatrixController::view).orElse(null),
        entries.stream().limit(ENTRIES_AT_MOST).map(entry -> EntryView.of(entry, state.after().rightsOf(entry), state.structure())).toList(), Math.max(0, entries.size() - ENTRIES_AT_MOST),
        reasons.people().entrySet().stream().map(one -> new CellReason(one.getKey(), one.getValue())).toList(), reasons.differing(), reasons.asked(), people(state, subject, head, cell));
  }

  private static int rowOf(MatrixHeads.Whole whole, String of) {
    Subject subject = SubjectRef.parse(of).subject();
    return IntStream.range(0, whole.heads().rows().size()).filter(i -> whole.heads().rows().get(i).subject().equals(subject)).findFirst().orElseThrow(() -> Problem.notFound("row of this matrix", of));
  }

  private static int columnOf(MatrixHeads.Whole whole, String column) {
    List<Column> columns = whole.heads().columns();
    Snapshot snapshot = whole.heads().snapshot();
    return IntStream.range(0, columns.size()).filter(i -> column.equals(columns.get(i).type() != null ? columns.get(i).type() : snapshot.place(columns.get(i).place()).id())).findFirst()
        .orElseThrow(() -> Problem.notFound("column of this matrix", column));
  }

  private static List<CellPeople> people(DraftedState.State state, Subject subject, Column head, Matrix.Cell cell) {
    List<CellPeople> all = new ArrayList<>();
    for (PeopleByRights.Alike alike : Matrix.behind(state.moment(), subject, head)) {
      boolean more = !alike.rights().minus(cell.rights()).isEmpty();
      boolean less = !cell.rights().minus(alike.rights()).isEmpty();
      all.add(new CellPeople(alike.rights().words(), more && less ? "OTHERWISE" : more ? "MORE" : less ? "LESS" : "EXACTLY", alike.people().size(),
          alike.people().stream().mapToObj(state.after()::person).sorted(PeopleOrder.BY_NAME).limit(PEOPLE_AT_MOST).map(person -> PersonView.of(person, state.structure())).toList()));
    }
    return all;
  }

  /**
   * Cells of a kind, in the whole matrix.
   *
   * @param right for those that give it
   * @param since for those that gave something else then
   * @param of for those alike to one cell: its subject, as {@code kind:id}; with {@code column}, its place or type
   */
  @GetMapping("/found")
  MatrixFound found(@Valid @ParameterObject MatrixHeads.MatrixAsked asked, @RequestParam MatrixFilter.Kind kind, @RequestParam(required = false) String right, @RequestParam(required = false) Instant since,
      @RequestParam(required = false) String of, @RequestParam(required = false) String column, Principal who) {
    Right wanted = right == null ? null : Right.parse(right).orElse(null);
    if (kind == MatrixFilter.Kind.RIGHT && wanted == null) {
      throw Problem.faults("The cells cannot be looked for.", List.of(new Problem.Fault("right", "It names none of the nine rights.", "Choose a right.")));
    }
    if (kind == MatrixFilter.Kind.CHANGED && since == null) {
      throw Problem.faults("The cells cannot be looked for.", List.of(new Problem.Fault("since", "It says no day.", "Choose a day that has been.")));
    }
    if (kind == MatrixFilter.Kind.ALIKE && (of == null || column == null)) {
      throw Problem.faults("The cells cannot be looked for.", List.of(new Problem.Fault("of", "It names no cell.", "Choose a cell.")));
    }
    new Written().instant("since", since).refuse("The cells cannot be looked for.");
    DraftedState.State state = shown.to(who.getName());
    MatrixHeads.Whole whole = heads.whole(asked, state);
    GivenRights before = kind != MatrixFilter.Kind.CHANGED ? null
        : MatrixHeads.givenIn(whole.heads(), since.isBefore(state.now()) ? viewpoints.known(who.getName(), history.at(since)).snapshot() : state.before(), since.isBefore(state.now()) ? since : state.now());
    BitSet withOutsiders = new BitSet();
    List<MatrixRows.Row> rows = whole.heads().rows();
    IntStream.range(0, rows.size()).filter(row -> state.moment().matching(rows.get(row).subject()).intersects(state.moment().activeOutsiders())).forEach(withOutsiders::set);
    MatrixFilter.Found found = MatrixFilter.find(whole.given(), kind, new MatrixFilter.Facts(wanted, whole.outliers(), withOutsiders, before, kind == MatrixFilter.Kind.ALIKE ? rowOf(whole, of) : -1, kind == MatrixFilter.Kind.ALIKE ? columnOf(whole, column) : -1));
    return new MatrixFound(whole.heads().digest(), found.total(), found.rows(), kind != MatrixFilter.Kind.OUTLIERS ? List.of()
        : whole.outliers().stream().sorted(Comparator.comparingDouble(Outlier::measure).reversed()).limit(OUTLIERS_AT_MOST).map(MatrixController::view).toList());
  }

  private static OutlierView view(Outlier one) {
    return new OutlierView(one.row(), one.column(), one.rights().words(), view(one.along()), view(one.down()), one.lacks(), Math.round(one.measure() * 10) / 10.0);
  }

  private static PatternView view(Outlier.Pattern pattern) {
    return pattern == null ? null : new PatternView(pattern.usual().words(), pattern.alike(), pattern.of());
  }
}
