package palegate.cli;

import java.io.IOException;
import java.time.Clock;
import java.util.stream.Stream;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Prints what a person can reach, and by what. */
@Command(name = "reach", mixinStandardHelpOptions = true, description = "Prints what a person can reach, and by what.",
    footerHeading = "%nExamples:%n", footer = {
        "  palegate reach --bundle harbour.json --person p-mia",
        "  palegate reach --bundle harbour.json --person p-mia --right revise --format csv --out mia.csv"})
final class ReachCommand extends RightsQuestion {
  @Option(names = "--person", required = true, paramLabel = "ID", description = "Who.") private String person;

  ReachCommand(Clock clock) {
    super(clock);
  }

  @Override
  String what() {
    return "place";
  }

  @Override
  Stream<RightsLines.Line> lines(SnapshotAt moment, RightsLines rights) throws IOException {
    Snapshot snapshot = moment.snapshot();
    int number = snapshot.personNumber(person);
    if (number < 0) {
      throw new IOException("There is no person " + person + " in the bundle.");
    }
    return snapshot.places().mapToObj(place -> rights.line(snapshot.place(place).id(), snapshot.pathText(place), number, place));
  }
}
