package palegate.cli;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.Callable;
import palegate.core.bundle.BundleWriter;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Writes the bundle that a file of changes makes of another. */
@Command(name = "apply", mixinStandardHelpOptions = true,
    description = "Writes the bundle after the changes. Approvals are not asked for: nothing is in force by it. Exit code 4 if they cannot be made.",
    footerHeading = "%nExamples:%n", footer = {
        "  palegate apply --bundle harbour.json --changes draft.json --out after.json"})
final class ApplyCommand implements Callable<Integer> {
  private final Clock clock;
  @Spec private CommandSpec spec;
  @Option(names = "--bundle", required = true, paramLabel = "FILE", description = "The bundle that is to be changed.") private Path bundle;
  @Option(names = "--changes", required = true, paramLabel = "FILE", description = "The file of changes.") private Path changes;
  @Option(names = "--at", paramLabel = "INSTANT", converter = InstantConverter.class, description = "The instant that decides what has ended; now if left out.") private Instant at;
  @Option(names = "--out", paramLabel = "FILE", description = "Where to write; standard output if left out.") private Path out;

  ApplyCommand(Clock clock) {
    this.clock = clock;
  }

  @Override
  public Integer call() throws Exception {
    DraftFile draft = DraftFile.rehearsed(bundle, changes, at == null ? clock.instant() : at, null);
    List<String> refusals = draft.refusals();
    if (!refusals.isEmpty()) {
      refusals.forEach(spec.commandLine().getErr()::println);
      return RehearseCommand.REFUSED;
    }
    // The number says which change an export stems from; what has been changed since stems from none.
    Output.write(out, stream -> BundleWriter.write(draft.rehearsal().after().structure(), stream));
    return 0;
  }
}
