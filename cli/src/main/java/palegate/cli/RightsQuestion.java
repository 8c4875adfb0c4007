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
import palegate.core.snapshot.SnapshotAt;
import picocli.CommandLine.Option;

/** What questions about rights have in common: a bundle, an instant, which right, and how they print. */
abstract class RightsQuestion implements Callable<Integer> {
  private final Clock clock;
  @Option(names = "--bundle", required = true, paramLabel = "FILE", description = "The bundle to read.") private Path bundle;
  @Option(names = "--right", paramLabel = "R", description = "Only with this right; any if left out.") private String right;
  @Option(names = "--standing", description = "Standing rights: without conditions of documents.") private boolean standing;
  @Option(names = "--at", paramLabel = "INSTANT", converter = InstantConverter.class, description = "The instant asked about; now if left out.") private Instant at;
  @Option(names = "--format", paramLabel = "text|json|csv", defaultValue = "text", description = "text (default), json or csv.") private WallFormat format;
  @Option(names = "--out", paramLabel = "FILE", description = "Where to write; standard output if left out.") private Path out;

  RightsQuestion(Clock clock) {
    this.clock = clock;
  }

  /** What the first column is: person or place. */
  abstract String what();

  /** Everybody and everything that is asked about, whether or not they have any rights. */
  abstract Stream<RightsLines.Line> lines(SnapshotAt moment, RightsLines rights) throws IOException;

  @Override
  public Integer call() throws Exception {
    Right wanted = RightsLines.right(right);
    SnapshotAt moment = BundleFile.snapshot(bundle).at(at == null ? clock.instant() : at);
    List<RightsLines.Line> lines = lines(moment, new RightsLines(moment, standing, format != WallFormat.csv)).filter(line -> !line.rights().isEmpty() && (wanted == null || line.rights().contains(wanted)))
        .sorted(Comparator.comparing(RightsLines.Line::id)).toList();
    RightsLines.print(out, format, what(), lines);
    return 0;
  }
}
