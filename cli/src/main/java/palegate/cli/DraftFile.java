package palegate.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.bundle.BundleReader;
import palegate.core.bundle.Fault;
import palegate.core.bundle.InvalidBundle;
import palegate.core.changes.Change;
import palegate.core.changes.ChangesFile;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;

/** A file of changes, rehearsed on a bundle. The faults of both files are listed before giving up. */
record DraftFile(Path file, BundleReader.Read bundle, List<Change> changes, Rehearsal rehearsal) {
  /** @param author the id of the person who would put it in force, or null */
  static DraftFile rehearsed(Path bundleFile, Path changesFile, Instant at, String author) throws IOException, BundleFile.Refused, BundleFile.SeveralRefused {
    List<BundleFile.Refused> refused = new ArrayList<>();
    BundleReader.Read bundle = null;
    try {
      bundle = BundleFile.read(bundleFile);
    } catch (BundleFile.Refused faulty) {
      refused.add(faulty);
    }
    List<Change> changes = List.of();
    if (!Files.isRegularFile(changesFile)) {
      throw new IOException("There is no file " + changesFile + ".");
    }
    byte[] bytes = Files.readAllBytes(changesFile);
    UnaryOperator<String> newId = freeIds(bundle == null ? Structure.EMPTY : bundle.structure());
    try {
      changes = ChangesFile.read(bytes, newId);
    } catch (InvalidBundle faulty) {
      refused.add(new BundleFile.Refused(changesFile, bundle == null ? faulty : withWhatElse(faulty, bundle, ChangesFile.readLoosely(bytes, newId), at)));
    }
    if (!refused.isEmpty()) {
      throw new BundleFile.SeveralRefused(refused);
    }
    return new DraftFile(changesFile, bundle, changes, Rehearsal.of(Snapshot.of(bundle.structure()), changes, at, author));
  }

  /** How changes are written is not all that can be wrong with them: what else stands against those that can be read is said with it. */
  private static InvalidBundle withWhatElse(InvalidBundle faulty, BundleReader.Read bundle, List<Change> changes, Instant at) {
    List<Integer> readable = IntStream.range(0, changes.size()).filter(i -> changes.get(i) != null).boxed().toList();
    Set<String> said = faulty.faults().stream().map(Fault::what).collect(Collectors.toSet());
    Stream<Fault> more = Rehearsal.of(Snapshot.of(bundle.structure()), readable.stream().map(changes::get).toList(), at, null).refusals().stream().filter(refusal -> said.add(refusal.what()))
        .map(refusal -> new Fault("/changes/" + readable.get(refusal.change()), refusal.what(), refusal.remedy()));
    return new InvalidBundle(Stream.concat(faulty.faults().stream(), more).sorted().toList());
  }

  /** Ids for what changes make and do not name: counted on, so that the same files give the same ids. */
  private static UnaryOperator<String> freeIds(Structure structure) {
    List<Parts<?>> kinds = List.of(structure.units(), structure.people(), structure.groups(), structure.roles(), structure.types(), structure.places(), structure.grants(),
        structure.withholdings(), structure.oversights(), structure.walls(), structure.approvals(), structure.duties(),
        structure.passes(), structure.separations());
    Map<String, Integer> last = new HashMap<>();
    return letters -> {
      String id;
      do {
        id = letters + "-" + last.merge(letters, 1, Integer::sum);
      } while (isTaken(id, kinds));
      return id;
    };
  }

  private static boolean isTaken(String id, List<Parts<?>> kinds) {
    return kinds.stream().anyMatch(parts -> parts.containsKey(id));
  }

  /** Why it cannot be made, each with the pointer of the change; empty if it can. */
  List<String> refusals() {
    Stream<Fault> refusals = rehearsal.refusals().stream().map(refusal -> new Fault("/changes/" + refusal.change(), refusal.what(), refusal.remedy()));
    Stream<Fault> breaks = rehearsal.refusedBreaks().stream().map(refused -> new Fault("/changes",
        "The break of [" + refused.place().id() + "] would leave nobody active and on staff with govern, there or below.", "Name keepers in it."));
    return Stream.concat(refusals, breaks).map(fault -> file + ": " + fault.pointer() + ": " + fault.what() + " " + fault.remedy()).toList();
  }
}
