package palegate.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import palegate.core.bundle.BundleReader;
import palegate.core.certificates.Certificate;
import palegate.core.snapshot.Snapshot;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.WallProof;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Checks whether a certificate says what a bundle says: of the same state, with the same walls, with the same result. */
@Command(name = "verify", mixinStandardHelpOptions = true,
    description = "Checks whether a certificate says what a bundle says. Exits with 3 if it does not.",
    footerHeading = "%nExamples:%n", footer = {"  palegate verify certificate.json --bundle harbour.json"})
final class VerifyCommand implements Callable<Integer> {
  private static final long CERTIFICATE_AT_MOST = 16L << 20;

  @Spec private CommandSpec spec;
  @Parameters(paramLabel = "FILE", description = "The certificate.") private Path file;
  @Option(names = "--bundle", required = true, paramLabel = "FILE", description = "The bundle to read.") private Path bundle;

  @Override
  public Integer call() throws Exception {
    if (!Files.isRegularFile(file)) {
      throw new IOException("There is no file " + file + ".");
    }
    if (Files.size(file) > CERTIFICATE_AT_MOST) {
      throw new IOException(file + " is larger than any certificate.");
    }
    Certificate certificate = Certificate.read(Files.readString(file)).orElseThrow(() -> new IOException(file + " is no certificate of the form pale-gate-certificate, version 1."));
    BundleReader.Read read = BundleFile.read(bundle);
    List<String> wrong = new ArrayList<>();
    if (!certificate.bundleDigest().equals(Certificate.digest(Files.readAllBytes(bundle))) && !certificate.bundleDigest().equals(Certificate.digest(read.structure()))) {
      wrong.add("It was made of another state than that of " + bundle + ".");
    }
    Snapshot snapshot = Snapshot.of(read.structure());
    certificate.walls().forEach(proved -> check(proved, certificate, snapshot, wrong));
    PrintWriter out = spec.commandLine().getOut();
    wrong.forEach(out::println);
    out.println(wrong.isEmpty() ? "The certificate says what the bundle says: " + certificate.walls().size() + " walls, "
        + certificate.walls().stream().mapToLong(Certificate.Proved::pairs).sum() + " pairs." : "The certificate does not say what the bundle says.");
    out.flush();
    return wrong.isEmpty() ? 0 : 3;
  }

  private static void check(Certificate.Proved proved, Certificate certificate, Snapshot snapshot, List<String> wrong) {
    Wall wall = snapshot.structure().walls().get(proved.wall());
    if (wall == null) {
      wrong.add("There is no wall " + proved.wall() + " in the bundle.");
      return;
    }
    if (!proved.definition().isEmpty() && !proved.definition().equals(Certificate.digestOf(wall))) {
      wrong.add("The wall " + proved.wall() + " is defined otherwise in the bundle.");
    }
    WallProof again = WallProof.of(snapshot, wall, certificate.at(), (int) Math.min(Integer.MAX_VALUE, proved.explained()), proved.seed(), WallProof.Progress.NONE);
    if (again.pairs() != proved.pairs() || again.leaks() != proved.leaks() || again.explainedLeaks() != proved.explainedLeaks()) {
      wrong.add("The wall " + proved.wall() + " has " + again.pairs() + " pairs and " + (again.leaks() + again.explainedLeaks()) + " leaks, not " + proved.pairs() + " and " + (proved.leaks() + proved.explainedLeaks()) + ".");
    }
  }
}
