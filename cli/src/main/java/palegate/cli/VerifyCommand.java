package palegate.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import palegate.core.bundle.BundleReader;
import palegate.core.certificates.Certificate;
import palegate.core.snapshot.Snapshot;
import palegate.core.statements.RefusedRecipe;
import palegate.core.statements.StatementCheck;
import palegate.core.statements.StatementDigest;
import palegate.core.statements.StatementIdentity;
import palegate.core.statements.StatementTable;
import palegate.core.statements.Statements;
import palegate.core.text.Counted;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.WallProof;
import palegate.exports.PdfLines;
import palegate.exports.StatementFile;
import palegate.exports.UnreadableFile;
import palegate.exports.WorkbookRows;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Checks whether a certificate or a statement says what a bundle says: the same walls with the same result; the same rows, cell by cell. */
@Command(name = "verify", mixinStandardHelpOptions = true,
    description = "Checks whether a certificate or a statement says what a bundle says. Exits with 3 if it does not.",
    footerHeading = "%nExamples:%n", footer = {"  palegate verify certificate.json --bundle harbour.json", "  palegate verify who.xlsx --bundle harbour.json"})
final class VerifyCommand implements Callable<Integer> {
  private static final long CERTIFICATE_AT_MOST = 16L << 20;

  @Spec private CommandSpec spec;
  @Parameters(paramLabel = "FILE", description = "The certificate, or a file of a statement in any format.") private Path file;
  @Option(names = "--bundle", required = true, paramLabel = "FILE", description = "The bundle to read.") private Path bundle;

  @Override
  public Integer call() throws Exception {
    if (!Files.isRegularFile(file)) {
      throw new IOException("There is no file " + file + ".");
    }
    Optional<Certificate> certificate = Files.size(file) > CERTIFICATE_AT_MOST ? Optional.empty() : Certificate.read(new String(Files.readAllBytes(file), StandardCharsets.UTF_8));
    if (certificate.isPresent()) {
      return certificate(certificate.get());
    }
    StatementFile statement;
    try {
      WorkbookRows.readingAlone();
      statement = StatementFile.read(file.toFile(), Integer.MAX_VALUE, PdfLines::of);
    } catch (UnreadableFile unreadable) {
      throw new IOException(file + " is no certificate of the form pale-gate-certificate, version 1, and no statement. " + unreadable.getMessage());
    }
    return statement(statement);
  }

  private int statement(StatementFile statement) throws Exception {
    BundleReader.Read read = BundleFile.read(bundle);
    PrintWriter out = spec.commandLine().getOut();
    StatementIdentity identity = statement.identity();
    boolean ofThis = identity.state().equals(Certificate.digest(Files.readAllBytes(bundle)));
    if (!ofThis) {
      out.println("It says that it was made of another state (" + identity.state() + ") than that of " + bundle + ".");
    }
    StatementTable said;
    try {
      said = Statements.of(Snapshot.of(read.structure()), identity.at(), identity.recipe());
    } catch (RefusedRecipe refused) {
      out.println(refused.what());
      out.println("The statement does not say what the bundle says.");
      out.flush();
      return 3;
    }
    StatementCheck check = statement.against(said, Integer.MAX_VALUE);
    check.missingColumns().forEach(column -> out.println("The column \"" + column + "\" is missing."));
    check.addedParts().forEach(part -> out.println("Added: " + part + "."));
    check.cells().forEach(cell -> out.println((cell.row() == StatementCheck.COVER ? "Cover" : "Row " + cell.row()) + ", " + cell.column() + ": says \"" + cell.says() + "\", was \"" + cell.said() + "\"."));
    check.addedRows().forEach(row -> out.println("Row " + row.number() + " was added: " + String.join(" | ", row.cells())));
    check.leftOutRows().forEach(row -> out.println("Left out: " + String.join(" | ", row)));
    if (statement.sinceTheLastOne()) {
      out.println("What it says under \"" + StatementFile.SINCE_THE_LAST_ONE + "\" is not checked: it is not part of the statement.");
    }
    boolean intact = StatementDigest.isOf(identity.digest(), identity.recipe(), identity.at(), said);
    if (check.same() && !intact) {
      out.println("Its rows are those of the bundle, and the digest in its identity is not theirs.");
    }
    out.println(check.same() && intact ? "The statement says what the bundle says: " + Counted.of(check.rows(), "row", "rows") + "."
        : "The statement does not say what the bundle says: " + Counted.of(check.altered(), "cell", "cells") + " altered, " + Counted.of(check.added(), "row", "rows") + " added, " + check.leftOut() + " left out.");
    out.flush();
    return check.same() && intact ? 0 : 3;
  }

  private int certificate(Certificate certificate) throws Exception {
    BundleReader.Read read = BundleFile.read(bundle);
    List<String> wrong = new ArrayList<>();
    if (!certificate.bundleDigest().equals(Certificate.digest(Files.readAllBytes(bundle))) && !certificate.bundleDigest().equals(Certificate.digest(read.structure()))) {
      wrong.add("It was made of another state than that of " + bundle + ".");
    }
    Snapshot snapshot = Snapshot.of(read.structure());
    certificate.walls().forEach(proved -> check(proved, certificate, snapshot, wrong));
    PrintWriter out = spec.commandLine().getOut();
    wrong.forEach(out::println);
    out.println(wrong.isEmpty() ? "The certificate says what the bundle says: " + Counted.of(certificate.walls().size(), "wall", "walls") + ", "
        + Counted.of(certificate.walls().stream().mapToLong(Certificate.Proved::pairs).sum(), "pair", "pairs") + "." : "The certificate does not say what the bundle says.");
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
      wrong.add("The wall " + proved.wall() + " has " + Counted.of(again.pairs(), "pair", "pairs") + " and " + Counted.of(again.leaks() + again.explainedLeaks(), "leak", "leaks") + ", not " + proved.pairs() + " and " + (proved.leaks() + proved.explainedLeaks()) + ".");
    }
  }
}
