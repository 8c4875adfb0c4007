package palegate.server.papers;

import java.time.Clock;
import java.time.Duration;
import java.util.BitSet;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import palegate.core.papers.Acts;
import palegate.core.papers.FoundPlaces;
import palegate.core.places.Conditions;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.viewpoint.Asker;
import palegate.server.shell.Problem;
import palegate.server.store.StateCaches;
import palegate.server.store.TextIndex;
import palegate.server.store.WeighedCache;
import palegate.server.viewpoint.Viewpoints;

/** The repository as whoever asks has it as a person: duties count for nothing here, rights now for everything. */
@Service
public class Papers {
  private static final int KILOBYTES_KEPT_AT_MOST = 64_000;

  /** Somebody who asks, and what they find. */
  public record Own(Asker asker, FoundPlaces places) {
    public Snapshot snapshot() {
      return places.at().snapshot();
    }

    public SnapshotAt at() {
      return places.at();
    }

    public int person() {
      return snapshot().personNumber(asker.id());
    }
  }

  /**
   * What is looked for; whatever is null or blank is not asked.
   *
   * @param text in names, labels, fields or the text of documents
   * @param below the id of a place
   */
  public record Wanted(String text, String type, String owner, String below, Conditions.Condition condition) {}

  private record Key(SnapshotAt at, String person) {}

  private final Viewpoints viewpoints;
  private final TextIndex index;
  private final Clock clock;
  /** Two bits a place for each person who has asked of a state. */
  private final WeighedCache<Key, FoundPlaces> kept;

  Papers(Viewpoints viewpoints, TextIndex index, StateCaches caches, Clock clock) {
    this.viewpoints = viewpoints;
    this.index = index;
    this.clock = clock;
    kept = caches.kept(new WeighedCache<>(KILOBYTES_KEPT_AT_MOST, Duration.ofMinutes(10), places -> 1 + places.at().snapshot().placeRoom() / 4_000));
  }

  public Own of(String account) {
    Asker asker = viewpoints.asker(account);
    if (asker.id() == null) {
      throw Problem.of(HttpStatus.FORBIDDEN, "no-person", "Nobody's papers", "This account belongs to no person of the repository.");
    }
    SnapshotAt at = asker.state().snapshot().at(clock.instant());
    return new Own(asker, kept.get(new Key(at, asker.id()), key -> FoundPlaces.of(at, at.snapshot().personNumber(asker.id()))));
  }

  /** The number of a place that shows to somebody; of any other it is not told whether it exists. */
  public static int shown(Own own, String id) {
    int number = own.snapshot().placeNumber(id);
    if (!own.places().shows(number)) {
      throw Problem.notFound("place", id);
    }
    return number;
  }

  /** The number of a place that somebody can find. */
  public static int found(Own own, String id) {
    int number = own.snapshot().placeNumber(id);
    if (!own.places().finds(number)) {
      throw Problem.notFound("place", id);
    }
    return number;
  }

  /** Refuses an act with the sentence that the page shows for it. */
  public static void refuseUnless(Own own, int place, Acts.Act act) {
    String why = Acts.why(own.at(), own.person(), place, act);
    if (why != null) {
      throw Problem.of(HttpStatus.FORBIDDEN, "right-missing", "Not allowed", why);
    }
  }

  /** Everything that somebody finds and that is as wanted; all of it is counted. O(places found), and the index. */
  public BitSet search(Own own, Wanted wanted) {
    Snapshot snapshot = own.snapshot();
    String text = wanted.text() == null ? "" : wanted.text().strip();
    BitSet hits = new BitSet();
    if (text.isEmpty()) {
      own.places().stream().forEach(hits::set);
    } else {
      IntStream.of(snapshot.placesNamed(text)).filter(own.places()::finds).forEach(hits::set);
      index.saying(text).stream().mapToInt(snapshot::placeNumber).filter(own.places()::finds).forEach(hits::set);
      own.places().stream().filter(place -> snapshot.place(place).labels().values().stream().anyMatch(value -> contains(value, text))).forEach(hits::set);
    }
    Set<Integer> below = new HashSet<>();
    if (wanted.below() != null) {
      below.add(shown(own, wanted.below()));
    }
    BitSet wantedOnly = new BitSet();
    hits.stream().filter(place -> matches(snapshot.place(place), wanted) && (below.isEmpty() || snapshot.path(place).stream().anyMatch(below::contains))).forEach(wantedOnly::set);
    return wantedOnly;
  }

  private static boolean matches(Place place, Wanted wanted) {
    return (wanted.type() == null || wanted.type().equals(place.type())) && (wanted.owner() == null || wanted.owner().equals(place.owner()))
        && (wanted.condition() == null || place.conditions().has(wanted.condition()));
  }

  /** In capitals or not, without a copy of either. */
  private static boolean contains(String value, String text) {
    for (int i = 0; i + text.length() <= value.length(); i++) {
      if (value.regionMatches(true, i, text, 0, text.length())) {
        return true;
      }
    }
    return false;
  }

  /** The names of types by their ids, for whoever sees documents of them. */
  static String typeName(Snapshot snapshot, String type) {
    return type == null ? null : snapshot.structure().types().get(type).name();
  }

  static List<String> words(Conditions in) {
    return Stream.of(Conditions.Condition.values()).filter(in::has).map(condition -> condition.words().toLowerCase(Locale.ROOT)).toList();
  }
}
