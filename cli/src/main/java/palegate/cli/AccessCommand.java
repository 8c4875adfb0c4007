package palegate.cli;

import java.io.IOException;
import java.io.Writer;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Moment;
import palegate.core.snapshot.Snapshot;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Prints one row for every person and place with at least one right. */
@Command(name = "access", mixinStandardHelpOptions = true,
    description = "Prints who can do what where: one row for every person and place with at least one right.")
final class AccessCommand implements Callable<Integer> {
  private enum Format { csv, jsonl }

  private final Clock clock;
  @Spec private CommandSpec spec;
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
    // Conditions (stage 8) are refused at reading, so standing rights and rights now are the same.
    Snapshot snapshot = BundleFile.snapshot(bundle);
    Moment moment = snapshot.at(at == null ? clock.instant() : at);
    Output.write(out, spec.commandLine().getOut(), writer -> writeRows(snapshot, moment, writer));
    return 0;
  }

  private void writeRows(Snapshot snapshot, Moment moment, Writer writer) throws IOException {
    if (format == Format.csv) {
      writer.write("person,place,rights\n");
    }
    int[] placesById = IntStream.range(0, snapshot.placeCount()).boxed()
        .sorted((a, b) -> snapshot.place(a).id().compareTo(snapshot.place(b).id()))
        .mapToInt(Integer::intValue).toArray();
    for (int person = 0; person < snapshot.personCount(); person++) {
      Rights[] byClass = new Rights[moment.classCount()];
      for (int place : placesById) {
        int number = moment.classOf(place);
        if (byClass[number] == null) {
          byClass[number] = moment.rights(person, place);
        }
        if (!byClass[number].isEmpty()) {
          writer.write(row(snapshot.person(person).id(), snapshot.place(place).id(), byClass[number]));
        }
      }
    }
  }

  private String row(String person, String place, Rights rights) {
    // Ids need no quoting in either format: they are A-Z a-z 0-9 . _ : - only.
    return format == Format.csv
        ? person + "," + place + "," + rights + "\n"
        : "{\"person\":\"" + person + "\",\"place\":\"" + place + "\",\"rights\":["
            + rights.words().stream().map(word -> "\"" + word + "\"").collect(Collectors.joining(",")) + "]}\n";
  }
}
