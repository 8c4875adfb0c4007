package palegate.cli;

import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.concurrent.Callable;
import palegate.core.access.Trace;
import palegate.core.questions.Explanation;
import palegate.core.snapshot.Snapshot;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;

/** Prints why a person has the rights they have at a place. */
@Command(name = "explain", mixinStandardHelpOptions = true,
    description = "Prints why a person has the rights they have at a place, stage by stage.",
    footerHeading = "%nExamples:%n", footer = {
        "  palegate explain --bundle harbour.json --person p-mia --place f-118",
        "  palegate explain --bundle harbour.json --person p-mia --place f-118 --at 2026-03-31T00:00:00Z"})
final class ExplainCommand implements Callable<Integer> {
  private final Clock clock;
  @Spec private CommandSpec spec;
  @Option(names = "--bundle", required = true, paramLabel = "FILE", description = "The bundle to read.") private Path bundle;
  @Option(names = "--person", required = true, paramLabel = "ID", description = "The person asked about.") private String person;
  @Option(names = "--place", required = true, paramLabel = "ID", description = "The place asked about.") private String place;
  @Option(names = "--at", paramLabel = "INSTANT", converter = InstantConverter.class, description = "The instant asked about; now if left out.") private Instant at;

  ExplainCommand(Clock clock) {
    this.clock = clock;
  }

  @Override
  public Integer call() throws Exception {
    Snapshot snapshot = BundleFile.snapshot(bundle);
    int who = number(snapshot.personNumber(person), "person", person);
    int where = number(snapshot.placeNumber(place), "place", place);
    Trace trace = Explanation.of(snapshot, at == null ? clock.instant() : at, who, where,
        Explanation.WallReasons.SHOWN);
    spec.commandLine().getOut().print(TraceText.of(trace, snapshot, where));
    spec.commandLine().getOut().flush();
    return 0;
  }

  private int number(int number, String noun, String id) {
    if (number < 0) {
      throw new ParameterException(spec.commandLine(), "There is no " + noun + " [" + id + "] in " + bundle + ".");
    }
    return number;
  }
}
