package palegate.cli;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.concurrent.Callable;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.statements.AccessRows;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Prints one row for every person and place with at least one right. */
@Command(name = "access", mixinStandardHelpOptions = true,
    description = "Prints who can do what where: one row for every person and place with at least one right.",
    footerHeading = "%nExamples:%n", footer = {
        "  palegate access --bundle harbour.json --out access.csv",
        "  palegate access --bundle harbour.json --at 2026-03-31T00:00:00Z --standing --format jsonl"})
final class AccessCommand implements Callable<Integer> {
  private enum Format { csv, jsonl }

  private final Clock clock;
  @Option(names = "--bundle", required = true, paramLabel = "FILE", description = "The bundle to read.") private Path bundle;
  @Option(names = "--at", paramLabel = "INSTANT", converter = InstantConverter.class, description = "The instant asked about; now if left out.") private Instant at;
  @Option(names = "--standing", description = "Standing rights: without conditions of documents.") private boolean standing;
  @Option(names = "--format", paramLabel = "csv|jsonl", defaultValue = "csv", description = "csv (default) or jsonl.") private Format format;
  @Option(names = "--out", paramLabel = "FILE", description = "Where to write; standard output if left out.") private Path out;

  AccessCommand(Clock clock) {
    this.clock = clock;
  }

  @Override
  public Integer call() throws Exception {
    SnapshotAt moment = BundleFile.snapshot(bundle).at(at == null ? clock.instant() : at);
    Output.write(out,
        stream -> AccessRows.write(moment, format == Format.csv ? AccessRows.Format.CSV : AccessRows.Format.JSON_LINES, standing, stream));
    return 0;
  }
}
