package palegate.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import palegate.core.matrix.Column;
import palegate.core.matrix.GivenRights;
import palegate.core.matrix.Matrix;
import palegate.core.matrix.MatrixColumns;
import palegate.core.matrix.MatrixRows;
import palegate.core.matrix.Outliers;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.SubjectNames;
import palegate.core.text.Counted;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;

/** Prints the cells of a matrix in which something is given. */
@Command(name = "matrix", mixinStandardHelpOptions = true, description = "Prints what entries give to subjects at places, and where that comes from.",
    footerHeading = "%nExamples:%n", footer = {
        "  palegate matrix --bundle harbour.json --subjects group:g-adj,unit:u-claims --places lib-cases,f-12",
        "  palegate matrix --bundle harbour.json --subjects groups --below lib-cases --format csv",
        "  palegate matrix --bundle harbour.json --subjects groups --below lib-cases --outliers"})
final class MatrixCommand implements Callable<Integer> {
  private final Clock clock;
  @Option(names = "--bundle", required = true, paramLabel = "FILE", description = "The bundle to read.") private Path bundle;
  @Option(names = "--subjects", paramLabel = "WHO", defaultValue = "with-access-below",
      description = "Subjects as kind:id with commas between, or one of groups, units, with-access-below, named-below, outside-firms.") private String subjects;
  @Option(names = "--places", split = ",", paramLabel = "ID", description = "At these places, with commas between.") private List<String> places;
  @Option(names = "--below", paramLabel = "ID", description = "At this place and every container below it; the repository if neither is given.") private String below;
  @Option(names = "--documents", description = "With --below: at documents too.") private boolean documents;
  @Option(names = "--outliers", description = "Only cells that depart from those like them.") private boolean outliers;
  @Option(names = "--at", paramLabel = "INSTANT", converter = InstantConverter.class, description = "The instant asked about; now if left out.") private Instant at;
  @Option(names = "--format", paramLabel = "text|json|csv", defaultValue = "text", description = "text (default), json or csv.") private WallFormat format;
  @Option(names = "--out", paramLabel = "FILE", description = "Where to write; standard output if left out.") private Path out;

  private record Line(String subject, String name, String place, String path, Matrix.Cell cell) {
    String origin() {
      return switch (cell.from()) {
        case HERE -> "here";
        case ABOVE -> "above";
        case THROUGH_GROUP -> "group";
        case NOTHING -> "";
      };
    }
  }

  MatrixCommand(Clock clock) {
    this.clock = clock;
  }

  @Override
  public Integer call() throws Exception {
    Instant instant = at == null ? clock.instant() : at;
    SnapshotAt moment = BundleFile.snapshot(bundle).at(instant);
    Snapshot snapshot = moment.snapshot();
    if (snapshot.placeCount() == 0) {
      print(List.of());
      return 0;
    }
    if (outliers && places != null) {
      throw new IOException("Outliers are looked for among places beside each other: leave --places out, or say --below.");
    }
    int top = below == null ? snapshot.placeNumber(snapshot.structure().repository().orElseThrow().id()) : number(snapshot, below);
    List<MatrixRows.Row> rows = MatrixRows.arranged(moment, chosen(moment, instant, top));
    List<MatrixColumns.PlaceColumn> tree = places == null ? MatrixColumns.below(snapshot, top, documents, Integer.MAX_VALUE).columns() : List.of();
    List<Column> columns = new ArrayList<>();
    tree.forEach(column -> columns.add(Column.of(column.place())));
    for (String place : places == null ? Set.<String>of() : new LinkedHashSet<>(places)) {
      columns.add(Column.of(number(snapshot, place)));
    }
    List<Subject> who = rows.stream().map(MatrixRows.Row::subject).toList();
    GivenRights given = GivenRights.of(moment, instant, who, columns);
    Set<Long> strange = new HashSet<>();
    if (outliers) {
      Outliers.of(given, rows, tree).forEach(one -> strange.add((long) one.row() << 32 | one.column()));
    }
    List<Line> lines = new ArrayList<>();
    // One subject after the other: cells with their people are worked out only where something is said.
    for (int row = 0; row < rows.size(); row++) {
      int at = row;
      int[] said = IntStream.range(0, columns.size()).filter(column -> outliers ? strange.contains((long) at << 32 | column) : given.from(at, column) != Matrix.From.NOTHING).toArray();
      Matrix cells = Matrix.of(moment, instant, List.of(who.get(row)), Arrays.stream(said).mapToObj(columns::get).toList());
      for (int i = 0; i < said.length; i++) {
        int place = columns.get(said[i]).place();
        lines.add(new Line(who.get(row).kind() + ":" + who.get(row).id(), SubjectNames.of(who.get(row), snapshot.structure()), snapshot.place(place).id(), snapshot.pathText(place), cells.cell(0, i)));
      }
    }
    lines.sort(Comparator.comparing(Line::subject).thenComparing(Line::place));
    print(lines);
    return 0;
  }

  private static int number(Snapshot snapshot, String id) throws IOException {
    int number = snapshot.placeNumber(id);
    if (number < 0) {
      throw new IOException("There is no place " + id + " in the bundle.");
    }
    return number;
  }

  private Set<Subject> chosen(SnapshotAt moment, Instant instant, int top) throws IOException {
    Optional<MatrixRows.Rule> rule = Arrays.stream(MatrixRows.Rule.values()).filter(one -> one.name().toLowerCase(Locale.ROOT).replace('_', '-').equals(subjects)).findFirst();
    if (rule.isPresent()) {
      return MatrixRows.chosen(moment, instant, rule.get(), top);
    }
    List<String> missing = Arrays.stream(subjects.split(",")).filter(text -> subject(text).filter(one -> SubjectNames.isThere(one, moment.snapshot().structure())).isEmpty()).toList();
    if (!missing.isEmpty()) {
      throw new IOException("There is no subject " + String.join(", ", missing) + " in the bundle. Write person:ID, group:ID, unit:ID or builtin:staff, or one of the rules that --help lists.");
    }
    return Arrays.stream(subjects.split(",")).map(text -> subject(text).orElseThrow()).collect(Collectors.toSet());
  }

  private static Optional<Subject> subject(String text) {
    int colon = text.indexOf(':');
    try {
      return colon < 0 ? Optional.empty() : Optional.of(Subject.of(text.substring(0, colon), text.substring(colon + 1)));
    } catch (IllegalArgumentException wrong) {
      return Optional.empty();
    }
  }

  private void print(List<Line> lines) throws IOException {
    Output.write(out, stream -> {
      PrintWriter writer = new PrintWriter(stream, false, StandardCharsets.UTF_8);
      switch (format) {
        case csv -> {
          writer.print("subject,place,rights,origin\n");
          lines.forEach(line -> writer.print(WallFormat.cell(line.subject()) + "," + WallFormat.cell(line.place()) + "," + line.cell().rights() + "," + line.origin() + "\n"));
        }
        case json -> writer.println(json(lines));
        case text -> lines.forEach(line -> writer.println(line.name() + " (" + line.subject() + ") at " + line.path() + " (" + line.place() + "): "
            + (line.cell().rights().isEmpty() ? "nothing" : line.cell().rights().toString()) + (line.origin().isEmpty() ? "" : ", " + line.origin())
            + "; of " + Counted.of(line.cell().people(), "person", "people") + " " + line.cell().exactly() + " just that, " + line.cell().more() + " more, " + line.cell().less() + " less"));
      }
      writer.flush();
    });
  }

  private static String json(List<Line> lines) {
    ArrayNode all = JsonMapper.shared().createArrayNode();
    lines.forEach(line -> all.addObject().put("subject", line.subject()).put("name", line.name()).put("place", line.place()).put("path", line.path()).put("rights", line.cell().rights().toString())
        .put("withheld", line.cell().withheld().toString()).put("origin", line.origin()).put("people", line.cell().people()).put("exactly", line.cell().exactly()).put("more", line.cell().more()).put("less", line.cell().less()));
    return JsonMapper.shared().writerWithDefaultPrettyPrinter().writeValueAsString(all);
  }
}
