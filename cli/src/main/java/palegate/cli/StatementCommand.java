package palegate.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import palegate.core.certificates.Certificate;
import palegate.core.snapshot.Snapshot;
import palegate.core.statements.Recipe;
import palegate.core.statements.RefusedRecipe;
import palegate.core.statements.StatementIdentity;
import palegate.core.statements.StatementTable;
import palegate.core.statements.Statements;
import palegate.exports.FileFormat;
import palegate.exports.StatementSheet;
import palegate.exports.TooManyRows;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;

/** Makes a statement of a bundle as a file that can be checked later. */
@Command(name = "statement", mixinStandardHelpOptions = true,
    description = {"Makes a statement of a bundle as a file: a workbook, PDF, CSV, JSON or JSON lines, by the ending of its name.",
        "Kinds: place, subject, everyone, lists, breaks, walls, outsiders, clearances, duties, conditions, roles, groups."},
    footerHeading = "%nExamples:%n", footer = {
        "  palegate statement --bundle harbour.json --kind place --id lib-cases --out who.xlsx",
        "  palegate statement --bundle harbour.json --kind subject --id group:g-adj --grouping none --out adjusters.csv",
        "  palegate statement --bundle harbour.json --kind breaks --out breaks.pdf"})
final class StatementCommand implements Callable<Integer> {
  private final Clock clock;
  @Spec private CommandSpec spec;
  @Option(names = "--bundle", required = true, paramLabel = "FILE", description = "The bundle to read.") private Path bundle;
  @Option(names = "--kind", required = true, paramLabel = "KIND", description = "What it is about.") private String kind;
  @Option(names = "--id", paramLabel = "ID", description = "A place, or a subject as person:ID, group:ID, unit:ID, builtin:staff.") private String id;
  @Option(names = "--grouping", paramLabel = "HOW", description = "same (default), place, person, subject, role or none.") private String grouping;
  @Option(names = "--right", paramLabel = "RIGHT", description = "Only where this right is held.") private String right;
  @Option(names = "--columns", paramLabel = "A,B", description = "Only these columns, in this order.") private String columns;
  @Option(names = "--without-documents", description = "Libraries and folders only.") private boolean withoutDocuments;
  @Option(names = "--now", description = "Rights now rather than standing rights.") private boolean now;
  @Option(names = "--at", paramLabel = "INSTANT", converter = InstantConverter.class, description = "The instant asked about; now if left out.") private Instant at;
  @Option(names = "--out", required = true, paramLabel = "FILE", description = "Where to write: .xlsx, .pdf, .csv, .json or .jsonl.") private Path out;

  StatementCommand(Clock clock) {
    this.clock = clock;
  }

  @Override
  public Integer call() throws Exception {
    FileFormat format = FileFormat.ofName(out.getFileName().toString())
        .orElseThrow(() -> new ParameterException(spec.commandLine(), "The name " + out.getFileName() + " does not say the format. End it with .xlsx, .pdf, .csv, .json or .jsonl."));
    Recipe recipe = recipe();
    byte[] bytes = Files.isRegularFile(bundle) ? Files.readAllBytes(bundle) : new byte[0];
    Snapshot snapshot = BundleFile.snapshot(bundle);
    Instant instant = at == null ? clock.instant() : at;
    try {
      StatementTable table = Statements.of(snapshot, instant, recipe);
      StatementIdentity identity = new StatementIdentity(recipe, instant, Certificate.digest(bytes), null);
      Output.write(out, stream -> format.write(StatementSheet.of(table, identity, "palegate statement", false), stream));
      return 0;
    } catch (RefusedRecipe refused) {
      throw new ParameterException(spec.commandLine(), refused.getMessage());
    } catch (TooManyRows tooMany) {
      throw new IOException(tooMany.getMessage() + " Put the rows together, leave documents out, or write a workbook.");
    }
  }

  private Recipe recipe() {
    Map<String, String> parts = new LinkedHashMap<>();
    parts.put("kind", kind);
    put(parts, "id", id);
    put(parts, "grouping", grouping);
    put(parts, "right", right);
    put(parts, "columns", columns);
    put(parts, "documents", withoutDocuments ? "no" : null);
    put(parts, "now", now ? "yes" : null);
    Recipe.Parsed parsed = Recipe.of(parts);
    if (parsed.recipe() == null) {
      throw new ParameterException(spec.commandLine(), parsed.wrong().stream().map(wrong -> wrong.what() + " " + wrong.remedy()).collect(Collectors.joining("\n")));
    }
    return parsed.recipe();
  }

  private static void put(Map<String, String> parts, String key, String value) {
    if (value != null) {
      parts.put(key, value);
    }
  }
}
