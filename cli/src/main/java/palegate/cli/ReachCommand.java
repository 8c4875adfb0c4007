package palegate.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Prints what a person can reach, and by what. */
@Command(name = "reach", mixinStandardHelpOptions = true, description = "Prints what a person can reach, and by what.",
    footerHeading = "%nExamples:%n", footer = {
        "  palegate reach --bundle harbour.json --person p-mia",
        "  palegate reach --bundle harbour.json --person p-mia --right revise --format csv --out mia.csv"})
final class ReachCommand implements Callable<Integer> {
  private final Clock clock;
  @Option(names = "--bundle", required = true, paramLabel = "FILE", description = "The bundle to read.") private Path bundle;
  @Option(names = "--person", required = true, paramLabel = "ID", description = "Who.") private String person;
  @Option(names = "--right", paramLabel = "R", description = "Only where they have this right; any if left out.") private String right;
  @Option(names = "--standing", description = "Standing rights: without conditions of documents.") private boolean standing;
  @Option(names = "--at", paramLabel = "INSTANT", converter = InstantConverter.class, description = "The instant asked about; now if left out.") private Instant at;
  @Option(names = "--format", paramLabel = "text|json|csv", defaultValue = "text", description = "text (default), json or csv.") private WallFormat format;
  @Option(names = "--out", paramLabel = "FILE", description = "Where to write; standard output if left out.") private Path out;

  ReachCommand(Clock clock) {
    this.clock = clock;
  }

  @Override
  public Integer call() throws Exception {
    Right wanted = RightsLines.right(right);
    Snapshot snapshot = BundleFile.snapshot(bundle);
    SnapshotAt moment = snapshot.at(at == null ? clock.instant() : at);
    int number = snapshot.personNumber(person);
    if (number < 0) {
      throw new IOException("There is no person " + person + " in the bundle.");
    }
    List<RightsLines.Line> lines = snapshot.places().boxed().flatMap(place -> {
      Rights rights = RightsLines.rights(moment, number, place, standing);
      return rights.isEmpty() || wanted != null && !rights.contains(wanted) ? Stream.<RightsLines.Line>empty()
          : Stream.of(new RightsLines.Line(snapshot.place(place).id(), snapshot.pathText(place), rights, format == WallFormat.csv ? List.of() : RightsLines.by(moment, number, place)));
    }).sorted(Comparator.comparing(RightsLines.Line::id)).toList();
    RightsLines.print(out, format, "place", lines);
    return 0;
  }
}
