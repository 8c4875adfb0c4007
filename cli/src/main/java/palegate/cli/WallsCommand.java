package palegate.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.BitSet;
import java.util.List;
import java.util.concurrent.Callable;
import palegate.core.questions.WallConflict;
import palegate.core.questions.WallCoverage;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.text.Counted;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.Barring;
import palegate.core.wallsatwork.WallGap;
import palegate.core.wallsatwork.WallGaps;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Prints what every wall covers, whom it keeps out, who stands on two sides, and what looks as if it belonged inside. */
@Command(name = "walls", mixinStandardHelpOptions = true,
    description = "Prints what every wall covers, whom it keeps out, who stands on two sides, and what looks as if it belonged inside.",
    footerHeading = "%nExamples:%n", footer = {
        "  palegate walls --bundle harbour.json",
        "  palegate walls --bundle harbour.json --wall w-seal --format json --out wall.json"})
final class WallsCommand implements Callable<Integer> {
  private final Clock clock;
  @Option(names = "--bundle", required = true, paramLabel = "FILE", description = "The bundle to read.") private Path bundle;
  @Option(names = "--wall", paramLabel = "ID", description = "One wall; all if left out.") private String wall;
  @Option(names = "--at", paramLabel = "INSTANT", converter = InstantConverter.class, description = "The instant asked about; now if left out.") private Instant at;
  @Option(names = "--format", paramLabel = "text|json|csv", defaultValue = "text", description = "text (default), json or csv.") private WallFormat format;
  @Option(names = "--out", paramLabel = "FILE", description = "Where to write; standard output if left out.") private Path out;

  WallsCommand(Clock clock) {
    this.clock = clock;
  }

  /** What is printed of one wall. */
  private record Line(Wall wall, int places, int documents, int people, long pairs, List<WallConflict> conflicts, List<WallGap> gaps) {}

  @Override
  public Integer call() throws Exception {
    Snapshot snapshot = BundleFile.snapshot(bundle);
    SnapshotAt moment = snapshot.at(at == null ? clock.instant() : at);
    List<WallConflict> conflicts = WallConflict.all(moment, moment.instant());
    List<Line> lines = WallFormat.chosen(snapshot, wall).stream().map(one -> line(one, moment, conflicts)).toList();
    Output.write(out, stream -> {
      PrintWriter writer = new PrintWriter(stream, false, StandardCharsets.UTF_8);
      switch (format) {
        case csv -> csv(lines, writer);
        case json -> writer.println(json(lines, moment.instant()));
        case text -> lines.forEach(line -> text(line, snapshot, writer));
      }
      writer.flush();
    });
    return 0;
  }

  private static Line line(Wall wall, SnapshotAt moment, List<WallConflict> conflicts) {
    Snapshot snapshot = moment.snapshot();
    BitSet covered = new BitSet();
    wall.barrier().scopes().forEach(scope -> covered.or(WallCoverage.covered(snapshot, scope)));
    List<Barring> barrings = wall.barsAt(moment.instant()) ? Barring.of(moment, wall) : List.of();
    return new Line(wall, covered.cardinality(), (int) covered.stream().filter(snapshot::isDocument).count(), Barring.people(barrings).size(), Barring.pairs(barrings),
        conflicts.stream().filter(conflict -> conflict.wall().equals(wall.id())).toList(), WallGaps.of(snapshot, wall));
  }

  private static void csv(List<Line> lines, PrintWriter writer) {
    writer.print("wall,kind,places,documents,people,pairs\n");
    lines.forEach(line -> writer.print(WallFormat.cell(line.wall().id()) + "," + line.wall().barrier().kind() + "," + line.places() + "," + line.documents() + "," + line.people() + "," + line.pairs() + "\n"));
  }

  private static String json(List<Line> lines, Instant instant) {
    JsonMapper json = JsonMapper.shared();
    ObjectNode whole = json.createObjectNode().put("at", instant.toString());
    ArrayNode walls = whole.putArray("walls");
    for (Line line : lines) {
      ObjectNode wall = walls.addObject().put("wall", line.wall().id()).put("name", line.wall().name()).put("kind", line.wall().barrier().kind()).put("state", line.wall().state().word())
          .put("places", line.places()).put("documents", line.documents()).put("people", line.people()).put("pairs", line.pairs());
      ArrayNode conflicts = wall.putArray("conflicts");
      line.conflicts().forEach(conflict -> {
        ArrayNode sides = conflicts.addObject().put("person", conflict.person()).putArray("sides");
        conflict.sides().forEach(sides::add);
      });
      ArrayNode gaps = wall.putArray("gaps");
      line.gaps().forEach(gap -> gaps.addObject().put("place", gap.place()).put("side", gap.side()).put("kind", WallFormat.word(gap.kind())).put("confidence", WallFormat.word(gap.confidence()))
          .put("documents", gap.documents()).put("said", gap.said()).put("like", gap.like()));
    }
    return json.writerWithDefaultPrettyPrinter().writeValueAsString(whole);
  }

  private static void text(Line line, Snapshot snapshot, PrintWriter writer) {
    writer.println(line.wall().id() + " \"" + line.wall().name() + "\", " + line.wall().barrier().kind() + ", " + line.wall().state().word() + ": covers " + Counted.of(line.documents(), "document", "documents") + " in " + Counted.of(line.places(), "place", "places")
        + ", keeps " + Counted.of(line.people(), "person", "people") + " out (" + Counted.of(line.pairs(), "pair", "pairs") + ").");
    line.conflicts().forEach(conflict -> writer.println("  " + conflict.person() + " is on more than one side: " + String.join(", ", conflict.sides()) + "."));
    line.gaps().forEach(gap -> writer.println("  " + WallFormat.word(gap.confidence()) + ": " + gap.place() + " (" + snapshot.pathText(snapshot.placeNumber(gap.place())) + ") "
        + (gap.kind() == WallGap.Kind.SIBLING ? "lies beside " + gap.like() + ", which lie inside." : "has \"" + gap.said() + "\", like \"" + gap.like() + "\".")));
  }
}
