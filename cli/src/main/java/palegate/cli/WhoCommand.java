package palegate.cli;

import java.io.IOException;
import java.time.Clock;
import java.util.stream.Stream;
import palegate.core.people.Person;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

/** Prints who can do anything at a place, and by what. */
@Command(name = "who", mixinStandardHelpOptions = true, description = "Prints who can do anything at a place, and by what.",
    footerHeading = "%nExamples:%n", footer = {
        "  palegate who --bundle harbour.json --place lib-cases",
        "  palegate who --bundle harbour.json --place lib-cases --right govern --format csv"})
final class WhoCommand extends RightsQuestion {
  @Option(names = "--place", required = true, paramLabel = "ID", description = "Where.") private String place;

  WhoCommand(Clock clock) {
    super(clock);
  }

  @Override
  String what() {
    return "person";
  }

  @Override
  Stream<RightsLines.Line> lines(SnapshotAt moment, RightsLines rights) throws IOException {
    Snapshot snapshot = moment.snapshot();
    int number = snapshot.placeNumber(place);
    if (number < 0) {
      throw new IOException("There is no place " + place + " in the bundle.");
    }
    return snapshot.peopleInOrder().mapToObj(one -> {
      Person person = snapshot.person(one);
      return rights.line(person.id(), person.name(), one, number);
    });
  }
}
