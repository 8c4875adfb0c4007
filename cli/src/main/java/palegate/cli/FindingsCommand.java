package palegate.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import palegate.core.changes.ChangeJson;
import palegate.core.findings.Finding;
import palegate.core.findings.Fix;
import palegate.core.findings.FixTrial;
import palegate.core.findings.KeptFindings;
import palegate.core.findings.Limits;
import palegate.core.findings.Rule;
import palegate.core.findings.Rules;
import palegate.core.findings.Severity;
import palegate.core.snapshot.Snapshot;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Lists what a careful person would want to know about a structure, each with what would mend it; the fixes are for {@code apply}. */
@Command(name = "findings", mixinStandardHelpOptions = true,
    description = "Lists what a careful person would want to know about a structure, with what would mend it. Ends with 3 if there is anything.",
    footerHeading = "%nExamples:%n", footer = {
        "  palegate findings --bundle harbour.json",
        "  palegate findings --bundle harbour.json --severity grave --format json --out findings.json",
        "  palegate findings --bundle harbour.json --rule break-same-as-parent"})
final class FindingsCommand implements Callable<Integer> {
  private static final int SOME = 3;

  private final Clock clock;
  @Spec private CommandSpec spec;
  @Option(names = "--bundle", required = true, paramLabel = "FILE", description = "The bundle to read.") private Path bundle;
  @Option(names = "--rule", paramLabel = "CODE", description = "One rule; all if left out.") private String rule;
  @Option(names = "--severity", paramLabel = "S", description = "grave, serious or untidy; all if left out.") private String severity;
  @Option(names = "--at", paramLabel = "INSTANT", converter = InstantConverter.class, description = "The instant asked about; now if left out.") private Instant at;
  @Option(names = "--format", paramLabel = "text|json|csv", defaultValue = "text", description = "text (default), json or csv.") private WallFormat format;
  @Option(names = "--out", paramLabel = "FILE", description = "Where to write; standard output if left out.") private Path out;

  FindingsCommand(Clock clock) {
    this.clock = clock;
  }

  /** A finding with those of its fixes that hold. */
  private record Line(Finding finding, List<Fix> fixes) {}

  @Override
  public Integer call() throws Exception {
    if (rule != null && Rules.of(rule).isEmpty()) {
      throw new ParameterException(spec.commandLine(), "There is no rule [" + rule + "]. Choose one of: " + Rules.ALL.stream().map(Rule::code).collect(Collectors.joining(", ")) + ".");
    }
    Severity only = severity == null ? null : Severity.parse(severity).orElseThrow(() -> new ParameterException(spec.commandLine(), "There is no severity [" + severity + "]. Choose grave, serious or untidy."));
    Snapshot snapshot = BundleFile.snapshot(bundle);
    Instant instant = at == null ? clock.instant() : at;
    KeptFindings found = KeptFindings.of(snapshot, instant, Limits.USUAL, Rules.ALL);
    List<Finding> all = found.findings();
    FixTrial trial = new FixTrial(snapshot, instant, found, Rules.ALL);
    List<Line> lines = all.stream().filter(finding -> (rule == null || finding.rule().equals(rule)) && (only == null || finding.severity() == only))
        .map(finding -> new Line(finding, format == WallFormat.csv ? List.of() : trial.offered(finding))).toList();
    Output.write(out, stream -> {
      PrintWriter writer = new PrintWriter(stream, false, StandardCharsets.UTF_8);
      switch (format) {
        case csv -> csv(lines, writer);
        case json -> writer.println(json(lines, instant));
        case text -> text(lines, writer);
      }
      writer.flush();
    });
    return lines.isEmpty() ? 0 : SOME;
  }

  private static void csv(List<Line> lines, PrintWriter writer) {
    writer.print("rule,severity,thing,text\n");
    lines.forEach(line -> writer.print(line.finding().rule() + "," + line.finding().severity().word() + "," + WallFormat.cell(line.finding().thing()) + "," + WallFormat.cell(line.finding().text()) + "\n"));
  }

  private static String json(List<Line> lines, Instant instant) {
    JsonMapper json = JsonMapper.shared();
    ObjectNode whole = json.createObjectNode().put("at", instant.toString());
    ArrayNode findings = whole.putArray("findings");
    for (Line line : lines) {
      Finding one = line.finding();
      ObjectNode finding = findings.addObject().put("rule", one.rule()).put("severity", one.severity().word()).put("thing", one.thing()).put("key", one.key()).put("text", one.text());
      ArrayNode evidence = finding.putArray("evidence");
      one.evidence().forEach(evidence::add);
      ArrayNode fixes = finding.putArray("fixes");
      for (Fix fix : line.fixes()) {
        ArrayNode changes = fixes.addObject().put("words", fix.words()).putArray("changes");
        fix.changes().forEach(change -> changes.add(ChangeJson.write(change)));
      }
    }
    return json.writerWithDefaultPrettyPrinter().writeValueAsString(whole);
  }

  private static void text(List<Line> lines, PrintWriter writer) {
    Severity last = null;
    for (Line line : lines) {
      Finding finding = line.finding();
      if (finding.severity() != last) {
        last = finding.severity();
        writer.println(last.word().toUpperCase(Locale.ROOT));
      }
      writer.println("  " + finding.text() + " [" + finding.rule() + ", " + finding.thing() + "]");
      finding.evidence().forEach(one -> writer.println("    " + one));
      line.fixes().forEach(fix -> writer.println("    fix: " + fix.words()));
    }
    writer.println(lines.isEmpty() ? "Nothing was found." : lines.size() + (lines.size() == 1 ? " finding." : " findings."));
  }
}
