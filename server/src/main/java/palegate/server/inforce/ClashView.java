package palegate.server.inforce;

import java.time.Instant;
import java.util.Map;
import java.util.stream.Stream;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.server.store.ChangeLog;
import palegate.server.viewpoint.KnownChanges;

/** A clash in words: which change of whom touched what. */
public record ClashView(long change, String author, Instant at, String note, String what) {
  /** @param known which changes whoever is told may know; null for all */
  public static ClashView of(ChangeLog.Clash clash, Snapshot snapshot, Map<Long, KnownChanges.Known> known) {
    boolean all = known == null || known.get(clash.number()) == KnownChanges.Known.ALL;
    return new ClashView(clash.number(), clash.authorName(), clash.at(), all ? clash.note() : KnownChanges.PARTLY, nameOf(clash.thing(), snapshot));
  }

  public static String nameOf(String thing, Snapshot snapshot) {
    String id = thing.substring(thing.indexOf(':') + 1);
    int place = thing.startsWith("place:") ? snapshot.placeNumber(id) : -1;
    if (place >= 0) {
      return snapshot.pathText(place);
    }
    Structure known = snapshot.structure();
    boolean there = Stream.of(known.people(), known.groups(), known.units(), known.roles(), known.types(), known.walls(), known.approvals(), known.duties(), known.passes(), known.separations()).anyMatch(parts -> parts.containsKey(id));
    return there ? thing.replace(':', ' ') : "something";
  }
}
