package palegate.cli;

import java.io.IOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import palegate.core.rehearsal.DiffRows;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Prints what everyone gained and lost between two bundles, in standing rights. */
@Command(name = "diff", mixinStandardHelpOptions = true,
    description = "Prints what everyone gained and lost between two bundles, in standing rights.",
    footerHeading = "%nExamples:%n", footer = {
        "  palegate diff --before january.json --after june.json",
        "  palegate diff --before january.json --after june.json --out gained-and-lost.csv"})
final class DiffCommand implements Callable<Integer> {
  private final Clock clock;
  @Spec private CommandSpec spec;
  @Option(names = "--before", required = true, paramLabel = "FILE", description = "The earlier bundle.") private Path before;
  @Option(names = "--after", required = true, paramLabel = "FILE", description = "The later bundle.") private Path after;
  @Option(names = "--at", paramLabel = "INSTANT", converter = InstantConverter.class, description = "The instant asked about; now if left out.") private Instant at;
  @Option(names = "--out", paramLabel = "FILE", description = "Where to write; standard output if left out.") private Path out;

  DiffCommand(Clock clock) {
    this.clock = clock;
  }

  @Override
  public Integer call() throws Exception {
    List<BundleFile.Refused> refused = new ArrayList<>();
    Snapshot first = readOrNote(before, refused);
    Snapshot second = readOrNote(after, refused);
    if (!refused.isEmpty()) {
      refused.forEach(file -> file.lines().forEach(spec.commandLine().getErr()::println));
      return 1;
    }
    RightsDifference difference = RightsDifference.between(first, second, at == null ? clock.instant() : at);
    Output.write(out, stream -> DiffRows.write(difference, stream));
    return 0;
  }

  /** Both files are read before giving up, so that the faults of both are listed. */
  private static Snapshot readOrNote(Path file, List<BundleFile.Refused> refused) throws IOException {
    try {
      return BundleFile.snapshot(file);
    } catch (BundleFile.Refused faulty) {
      refused.add(faulty);
      return null;
    }
  }
}
