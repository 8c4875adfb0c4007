package palegate.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.Callable;
import palegate.core.bundle.BundleReader;
import palegate.core.findings.Finding;
import palegate.core.findings.Findings;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.text.Counted;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Validates a bundle and lists what a careful person would want to know about it. */
@Command(name = "check", mixinStandardHelpOptions = true,
    description = "Validates a bundle, and lists what was found in it.",
    footerHeading = "%nExamples:%n", footer = {
        "  palegate check --bundle harbour.json",
        "  palegate check --bundle harbour.json --at 2027-01-01T00:00:00Z"})
final class CheckCommand implements Callable<Integer> {
  private final Clock clock;
  @Spec private CommandSpec spec;
  @Option(names = "--bundle", required = true, paramLabel = "FILE", description = "The bundle to read.") private Path bundle;
  @Option(names = "--at", paramLabel = "INSTANT", converter = InstantConverter.class, description = "The instant asked about; now if left out.") private Instant at;

  CheckCommand(Clock clock) {
    this.clock = clock;
  }

  @Override
  public Integer call() throws Exception {
    PrintWriter out = spec.commandLine().getOut();
    BundleReader.Read read = BundleFile.read(bundle);
    Structure structure = read.structure();
    read.completed().forEach(out::println);
    List<Finding> findings = Findings.of(Snapshot.of(structure), at == null ? clock.instant() : at);
    findings.forEach(finding -> out.println(finding.thing() + ": " + finding.text()));
    out.println("Valid: " + Counted.of(structure.people().size(), "person", "people") + ", " + Counted.of(structure.groups().size(), "group", "groups") + ", "
        + Counted.of(structure.places().size(), "place", "places") + ", " + Counted.of(structure.grants().size(), "grant", "grants") + ", "
        + structure.withholdings().size() + " withholdings; "
        + Counted.of(findings.size() + read.completed().size(), "finding", "findings") + ".");
    out.flush();
    return 0;
  }
}
