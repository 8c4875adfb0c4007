package palegate.server.inforce;

import java.time.Instant;
import palegate.core.snapshot.Snapshot;
import palegate.server.store.ChangeLog;

/** A clash in words: which change of whom touched what. */
public record ClashView(long change, String author, Instant at, String note, String what) {
  public static ClashView of(ChangeLog.Clash clash, Snapshot snapshot) {
    return new ClashView(clash.number(), clash.authorName(), clash.at(), clash.note(), nameOf(clash.thing(), snapshot));
  }

  public static String nameOf(String thing, Snapshot snapshot) {
    String id = thing.substring(thing.indexOf(':') + 1);
    int place = thing.startsWith("place:") ? snapshot.placeNumber(id) : -1;
    return place >= 0 ? snapshot.pathText(place) : thing.replace(':', ' ');
  }
}
