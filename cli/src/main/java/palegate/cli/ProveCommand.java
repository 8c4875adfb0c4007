package palegate.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import palegate.core.certificates.Certificate;
import palegate.core.snapshot.Snapshot;
import palegate.core.text.Counted;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.WallProof;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;

/** Asks about everybody whom a wall keeps out at every place that it covers, and writes a certificate of what was found. */
@Command(name = "prove", mixinStandardHelpOptions = true,
    description = "Asks about everybody whom a wall keeps out at every place that it covers, and writes a certificate of what was found. Exits with 3 on a leak.",
    footerHeading = "%nExamples:%n", footer = {
        "  palegate prove --bundle harbour.json --out certificate.json",
        "  palegate prove --bundle harbour.json --wall w-seal --at 2027-01-01T00:00:00Z --format csv"})
final class ProveCommand implements Callable<Integer> {
  private final Clock clock;
  @Spec private CommandSpec spec;
  @Option(names = "--bundle", required = true, paramLabel = "FILE", description = "The bundle to read.") private Path bundle;
  @Option(names = "--wall", paramLabel = "ID", description = "One wall, also one that is only planned, for its first day; all that stand if left out.") private String wall;
  @Option(names = "--at", paramLabel = "INSTANT", converter = InstantConverter.class, description = "The instant asked about; now if left out.") private Instant at;
  @Option(names = "--sample", paramLabel = "N", defaultValue = "100000", description = "How many pairs are asked about again by the explained stages; 100000 if left out.") private int sample;
  @Option(names = "--seed", paramLabel = "N", defaultValue = "20261128", description = "Chooses those pairs.") private long seed;
  @Option(names = "--format", paramLabel = "text|json|csv", defaultValue = "json", description = "json (default), text or csv.") private WallFormat format;
  @Option(names = "--out", paramLabel = "FILE", description = "Where to write; standard output if left out.") private Path out;

  ProveCommand(Clock clock) {
    this.clock = clock;
  }

  @Override
  public Integer call() throws Exception {
    Snapshot snapshot = BundleFile.snapshot(bundle);
    Instant instant = at == null ? clock.instant() : at;
    List<Certificate.Proved> proved = new ArrayList<>();
    for (Wall one : WallFormat.chosen(snapshot, wall)) {
      if (wall != null || one.barsAt(instant)) {
        WallProof proof = WallProof.of(snapshot, one, instant, Math.max(0, sample), seed, WallProof.Progress.NONE);
        proof.found().forEach(leak -> spec.commandLine().getErr().println(one.id() + ": " + leak.person() + " has " + leak.rights() + " at " + leak.place() + "."));
        proved.add(Certificate.Proved.of(one, proof));
      }
    }
    Certificate certificate = new Certificate(instant, Certificate.digest(Files.readAllBytes(bundle)), proved);
    Output.write(out, stream -> {
      PrintWriter writer = new PrintWriter(stream, false, StandardCharsets.UTF_8);
      switch (format) {
        case csv -> {
          writer.print("wall,pairs,leaks\n");
          proved.forEach(one -> writer.print(WallFormat.cell(one.wall()) + "," + one.pairs() + "," + one.leaks() + "\n"));
        }
        case json -> writer.println(certificate.toJson());
        case text -> proved.forEach(one -> writer.println(one.wall() + " \"" + one.name() + "\": " + Counted.of(one.pairs(), "pair", "pairs") + " asked about, " + one.leaks() + " with any right; " + one.explained() + " again by the stages, "
            + one.explainedLeaks() + " with any right."));
      }
      writer.flush();
    });
    return certificate.holds() ? 0 : 3;
  }
}
