package palegate.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.Callable;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import palegate.core.changes.Change;
import palegate.core.changes.ChangeJson;
import palegate.core.changes.ChangesFile;
import palegate.core.mining.Mining;
import palegate.core.mining.Proposal;
import palegate.core.mining.Size;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.ParameterException;
import picocli.CommandLine.Spec;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Lists how exactly the same could be said with fewer entries; the changes are for {@code apply}. */
@Command(name = "mining", mixinStandardHelpOptions = true,
    description = "Lists how exactly the same could be said with fewer entries: groups, roles and places above that say at once what many entries say now.",
    footerHeading = "%nExamples:%n", footer = {
        "  palegate mining --bundle harbour.json",
        "  palegate mining --bundle harbour.json --changes fewer.json && palegate apply --bundle harbour.json --changes fewer.json --out smaller.json"})
final class MiningCommand implements Callable<Integer> {
  private static final int MINUTES_AT_MOST = 24 * 60;

  private final Clock clock;
  @Spec private CommandSpec spec;
  @Option(names = "--bundle", required = true, paramLabel = "FILE", description = "The bundle to read.") private Path bundle;
  @Option(names = "--minutes", paramLabel = "N", defaultValue = "5", description = "For how long to look at most; 5 if left out.") private int minutes;
  @Option(names = "--at", paramLabel = "INSTANT", converter = InstantConverter.class, description = "The instant asked about; now if left out.") private Instant at;
  @Option(names = "--format", paramLabel = "text|json|csv", defaultValue = "text", description = "text (default), json or csv.") private WallFormat format;
  @Option(names = "--out", paramLabel = "FILE", description = "Where to write; standard output if left out.") private Path out;
  @Option(names = "--changes", paramLabel = "FILE", description = "Where to write all of the proposals as a file of changes, if there are any.") private Path changes;

  MiningCommand(Clock clock) {
    this.clock = clock;
  }

  @Override
  public Integer call() throws Exception {
    if (minutes < 0 || minutes > MINUTES_AT_MOST) {
      throw new ParameterException(spec.commandLine(), "It cannot be looked for " + minutes + " minutes. Choose from 0 to " + MINUTES_AT_MOST + ".");
    }
    Snapshot snapshot = BundleFile.snapshot(bundle);
    Instant instant = at == null ? clock.instant() : at;
    long until = System.nanoTime() + Duration.ofMinutes(minutes).toNanos();
    Mining.Found found = Mining.of(snapshot, instant, freeIds(snapshot.structure()), (kind, tried, candidates, saved) -> System.nanoTime() < until);
    Output.write(out, stream -> {
      PrintWriter writer = new PrintWriter(stream, false, StandardCharsets.UTF_8);
      switch (format) {
        case csv -> csv(found, writer);
        case json -> writer.println(json(found, instant));
        case text -> text(found, writer);
      }
      writer.flush();
    });
    List<Change> all = found.proposals().stream().flatMap(one -> one.changes().stream()).toList();
    if (changes != null && !all.isEmpty()) {
      Output.write(changes, stream -> stream.write(ChangesFile.write(all).getBytes(StandardCharsets.UTF_8)));
    }
    return 0;
  }

  /** Counted on, so that the same bundle gives the same ids. */
  private static Supplier<String> freeIds(Structure structure) {
    AtomicInteger last = new AtomicInteger();
    return () -> {
      String id;
      do {
        id = "mined-" + last.incrementAndGet();
      } while (structure.grants().containsKey(id) || structure.withholdings().containsKey(id) || structure.groups().containsKey(id) || structure.roles().containsKey(id));
      return id;
    };
  }

  private static void csv(Mining.Found found, PrintWriter writer) {
    writer.print("kind,saves,text\n");
    found.proposals().forEach(one -> writer.print(word(one.kind()) + "," + one.saves() + "," + WallFormat.cell(one.words()) + "\n"));
  }

  private static String word(Proposal.Kind kind) {
    return kind.name().toLowerCase(Locale.ROOT).replace('_', '-');
  }

  private static String json(Mining.Found found, Instant instant) {
    JsonMapper json = JsonMapper.shared();
    ObjectNode whole = json.createObjectNode().put("at", instant.toString()).put("complete", !found.cut());
    whole.set("before", size(found.before()));
    whole.set("after", size(found.after()));
    ArrayNode proposals = whole.putArray("proposals");
    for (Proposal one : found.proposals()) {
      ArrayNode steps = proposals.addObject().put("kind", word(one.kind())).put("text", one.words()).put("saves", one.saves()).putArray("changes");
      one.changes().forEach(change -> steps.add(ChangeJson.write(change)));
    }
    return json.writerWithDefaultPrettyPrinter().writeValueAsString(whole);
  }

  private static ObjectNode size(Size size) {
    return JsonMapper.shared().createObjectNode().put("entries", size.entries()).put("groups", size.groups()).put("memberships", size.memberships()).put("roles", size.roles());
  }

  private static void text(Mining.Found found, PrintWriter writer) {
    found.proposals().forEach(one -> writer.println(String.format(Locale.ROOT, "%4d  %s", one.saves(), one.words())));
    writer.println(found.proposals().isEmpty() ? "Nothing can be said with fewer entries." : found.before().entries() + " entries could be " + found.after().entries() + "; nobody would gain or lose anything.");
    if (found.cut()) {
      writer.println("There was not time to try everything.");
    }
  }
}
