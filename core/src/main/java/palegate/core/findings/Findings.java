package palegate.core.findings;

import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.people.Group;
import palegate.core.people.Subject;
import palegate.core.questions.WallConflict;
import palegate.core.questions.WallCoverage;
import palegate.core.rehearsal.LockOuts;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.types.DocumentType;
import palegate.core.walls.Wall;

/** Everything found in a structure at an instant, in a stable order. */
public final class Findings {
  private Findings() {}

  public static List<Finding> of(Snapshot snapshot, Instant instant) {
    SnapshotAt moment = snapshot.at(instant);
    return Stream.of(emptyGroups(snapshot, moment), endedEntries(snapshot, instant), withoutKeeper(snapshot, instant),
        clearedForNobody(snapshot, moment, instant), oddWalls(snapshot), conflicts(snapshot, moment, instant))
        .flatMap(found -> found).toList();
  }

  private static Stream<Finding> clearedForNobody(Snapshot snapshot, SnapshotAt moment, Instant instant) {
    return snapshot.structure().types().values().stream().filter(DocumentType::guarded)
        .filter(type -> type.clearances().stream().noneMatch(clearance -> clearance.period().holdsAt(instant)
            && moment.matching(clearance.subject()).intersects(moment.active())))
        .sorted(Comparator.comparing(DocumentType::id))
        .map(type -> new Finding("type " + type.id(), "\"" + type.name() + "\" is guarded, and nobody active is cleared for it."));
  }

  private static Stream<Finding> oddWalls(Snapshot snapshot) {
    return snapshot.structure().walls().values().stream().filter(wall -> wall.state() != Wall.State.LIFTED)
        .sorted(Comparator.comparing(Wall::id)).flatMap(wall -> WallCoverage.of(snapshot, wall).stream().filter(WallCoverage::isOdd)
            .map(coverage -> new Finding("wall " + wall.id(), "The scope " + (coverage.side() == null ? "" : "of side \"" + coverage.side() + "\" ")
                + "of \"" + wall.name() + "\" covers " + (coverage.matchesNothing() ? "nothing." : "everything."))));
  }

  private static Stream<Finding> conflicts(Snapshot snapshot, SnapshotAt moment, Instant instant) {
    return WallConflict.all(moment, instant).stream().map(conflict -> new Finding("person " + conflict.person(),
        snapshot.structure().people().get(conflict.person()).name() + " is on more than one side of \""
            + snapshot.structure().walls().get(conflict.wall()).name() + "\": " + String.join(", ", conflict.sides()) + "."));
  }

  private static Stream<Finding> emptyGroups(Snapshot snapshot, SnapshotAt moment) {
    return snapshot.structure().groups().values().stream()
        .filter(group -> moment.matching(new Subject.OfGroup(group.id())).isEmpty())
        .map(Group::id).sorted()
        .map(id -> new Finding("group " + id, "Nobody is in \"" + snapshot.structure().groups().get(id).name() + "\"."));
  }

  private static Stream<Finding> endedEntries(Snapshot snapshot, Instant instant) {
    return Stream.<Entry>concat(snapshot.structure().grants().values().stream(), snapshot.structure().withholdings().values().stream())
        .filter(entry -> entry.period().endedBy(instant))
        .sorted((a, b) -> a.id().compareTo(b.id()))
        .map(entry -> new Finding("entry " + entry.id(), "It ended at " + entry.period().until() + " and still stands in the list of \""
            + snapshot.structure().places().get(entry.place()).name() + "\"."));
  }

  private static Stream<Finding> withoutKeeper(Snapshot snapshot, Instant instant) {
    SnapshotAt moment = snapshot.at(instant);
    LockOuts lockOuts = LockOuts.in(moment);
    // Only the topmost place of each locked-out subtree: the rest follow from it.
    return LockOuts.all(snapshot, instant).stream().filter(place -> {
      int parent = snapshot.parent(snapshot.placeNumber(place.id()));
      return parent < 0 || !lockOuts.at(parent);
    }).map(place -> new Finding("place " + place.id(), "Nobody active and on staff holds govern on \"" + place.name() + "\"."));
  }
}
