package palegate.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.Callable;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.viewpoint.Asker;
import palegate.core.viewpoint.Viewpoint;
import palegate.core.walk.Walk;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Prints the tree exactly as one person has it. */
@Command(name = "walk", mixinStandardHelpOptions = true, description = "Prints the tree exactly as one person has it: what they find now, and what shows because it leads there.",
    footerHeading = "%nExamples:%n", footer = {
        "  palegate walk --bundle harbour.json --person p-mia",
        "  palegate walk --bundle harbour.json --person p-mia --as p-oriel --format csv --out mia.csv"})
final class WalkCommand implements Callable<Integer> {
  private final Clock clock;
  @Option(names = "--bundle", required = true, paramLabel = "FILE", description = "The bundle to read.") private Path bundle;
  @Option(names = "--person", required = true, paramLabel = "ID", description = "As whom.") private String person;
  @Option(names = "--as", paramLabel = "ID", description = "Who walks: never past their own walls, nor beyond what their duties cover. The whole if left out.") private String walker;
  @Option(names = "--at", paramLabel = "INSTANT", converter = InstantConverter.class, description = "The instant asked about; now if left out.") private Instant at;
  @Option(names = "--format", paramLabel = "text|json|csv", defaultValue = "text", description = "text (default), json or csv.") private WallFormat format;
  @Option(names = "--out", paramLabel = "FILE", description = "Where to write; standard output if left out.") private Path out;

  WalkCommand(Clock clock) {
    this.clock = clock;
  }

  @Override
  public Integer call() throws Exception {
    Snapshot snapshot = BundleFile.snapshot(bundle);
    SnapshotAt moment = snapshot.at(at == null ? clock.instant() : at);
    if (walker != null && snapshot.personNumber(walker) < 0) {
      throw new IOException("There is no person " + walker + " in the bundle.");
    }
    Asker asker = walker == null ? null : Asker.of(moment, walker);
    SnapshotAt known = asker == null ? moment : Viewpoint.of(asker).snapshot().at(moment.instant());
    Walk walk = Walk.of(known, person, asker).orElseThrow(() -> new IOException("There is no person " + person + " in the bundle" + (walker == null ? "." : " whom " + walker + " may know.")));
    print(walk);
    return 0;
  }

  private void print(Walk walk) throws IOException {
    Snapshot snapshot = walk.snapshot();
    List<Integer> shown = snapshot.places().filter(walk::shows).boxed().toList();
    Output.write(out, stream -> {
      PrintWriter writer = new PrintWriter(stream, false, StandardCharsets.UTF_8);
      if (format == WallFormat.text) {
        snapshot.inDisplayOrder().filter(walk::shows).forEach(place -> writer.println("  ".repeat(snapshot.depth(place)) + snapshot.place(place).name() + (walk.finds(place) ? ": " + walk.rights(place) : " (leads on)")));
      } else {
        List<Integer> byId = shown.stream().sorted(Comparator.comparing(place -> snapshot.place(place).id())).toList();
        if (format == WallFormat.csv) {
          writer.print("place,kind,shown\n");
          byId.forEach(place -> writer.print(WallFormat.cell(snapshot.place(place).id()) + "," + snapshot.place(place).kind().word() + "," + (walk.finds(place) ? "found" : "passage") + "\n"));
        } else {
          ObjectNode json = JsonMapper.shared().createObjectNode().put("at", walk.at().instant().toString()).put("person", person);
          ArrayNode places = json.putArray("places");
          byId.forEach(place -> places.addObject().put("place", snapshot.place(place).id()).put("kind", snapshot.place(place).kind().word()).put("shown", walk.finds(place) ? "found" : "passage")
              .put("rights", walk.rights(place).toString()));
          writer.println(JsonMapper.shared().writerWithDefaultPrettyPrinter().writeValueAsString(json));
        }
      }
      writer.flush();
    });
  }
}
