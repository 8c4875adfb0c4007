package palegate.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import palegate.core.rehearsal.ApprovalsNeeded;
import palegate.core.rehearsal.DiffRows;
import palegate.core.rehearsal.GuardedChanges;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;

/** Prints what a file of changes would do to a bundle. */
@Command(name = "rehearse", mixinStandardHelpOptions = true,
    description = "Prints what changes would do: who gains and loses what, where. Exit code 3 if somebody else would have to approve them, 4 if they cannot be made.",
    footerHeading = "%nExamples:%n", footer = {
        "  palegate rehearse --bundle harbour.json --changes draft.json",
        "  palegate rehearse --bundle harbour.json --changes draft.json --as p-mia --format text"})
final class RehearseCommand implements Callable<Integer> {
  private enum Format { csv, json, text }

  private static final int NEEDS_APPROVAL = 3;
  static final int REFUSED = 4;

  private final Clock clock;
  @Spec private CommandSpec spec;
  @Option(names = "--bundle", required = true, paramLabel = "FILE", description = "The bundle that is to be changed.") private Path bundle;
  @Option(names = "--changes", required = true, paramLabel = "FILE", description = "The file of changes.") private Path changes;
  @Option(names = "--as", paramLabel = "ID", description = "The person who would put them in force: what they would no longer govern is said, in json and text.") private String author;
  @Option(names = "--at", paramLabel = "INSTANT", converter = InstantConverter.class, description = "The instant asked about; now if left out.") private Instant at;
  @Option(names = "--format", paramLabel = "csv|json|text", defaultValue = "csv", description = "csv (default), json or text.") private Format format;
  @Option(names = "--out", paramLabel = "FILE", description = "Where to write; standard output if left out.") private Path out;

  RehearseCommand(Clock clock) {
    this.clock = clock;
  }

  @Override
  public Integer call() throws Exception {
    PrintWriter err = spec.commandLine().getErr();
    DraftFile draft = DraftFile.rehearsed(bundle, changes, at == null ? clock.instant() : at, author);
    if (author != null && !draft.bundle().structure().people().containsKey(author)) {
      throw new ParameterException(spec.commandLine(), "There is no person [" + author + "] in " + bundle + ".");
    }
    List<String> refusals = draft.refusals();
    if (!refusals.isEmpty()) {
      refusals.forEach(err::println);
      return REFUSED;
    }
    List<String> needs = new ArrayList<>();
    ApprovalsNeeded.of(draft.rehearsal(), draft.changes()).forEach(applies -> needs.add(applies.why() + " (somebody with the duty " + applies.rule().duty().word() + ")"));
    GuardedChanges.of(draft.rehearsal()).forEach((duty, why) -> needs.add(why + " (somebody with the duty " + duty.word() + ")"));
    Output.write(out, stream -> {
      switch (format) {
        case csv -> DiffRows.write(draft.rehearsal().now(), stream);
        case json -> RehearsalText.json(draft.rehearsal(), needs, stream);
        default -> RehearsalText.text(draft.rehearsal(), draft.changes(), needs, stream);
      }
    });
    needs.forEach(need -> err.println("Somebody else would have to approve this: " + need + "."));
    err.flush();
    return needs.isEmpty() ? 0 : NEEDS_APPROVAL;
  }
}
