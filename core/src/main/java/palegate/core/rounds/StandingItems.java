package palegate.core.rounds;

import java.time.Instant;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/** What has become, in a state, of what was asked about: whether it stands there still, as it was, and whether what was decided is so. */
public final class StandingItems {
  private final SnapshotAt moment;
  private final Instant now;
  private final AccessItems access;
  private final Map<String, ReviewItem> byKey = new HashMap<>();

  private StandingItems(SnapshotAt moment, Instant now) {
    this.moment = moment;
    this.now = now;
    access = new AccessItems(moment);
    ReviewItems.of(moment, new ReviewScope(EnumSet.complementOf(EnumSet.of(ItemKind.ACCESS)), null, Set.of(), false)).forEach(item -> byKey.put(item.key(), item));
  }

  /**
   * O(entries and memberships); what people have at places is looked up when it is asked for.
   *
   * @param now not that of the moment, which is shared by all instants at which the same holds
   */
  public static StandingItems in(SnapshotAt moment, Instant now) {
    return new StandingItems(moment, now);
  }

  /** What stands there now; empty if it is gone. */
  public Optional<ReviewItem> find(ReviewItem asked) {
    return asked.kind() == ItemKind.ACCESS ? access.find(asked) : Optional.ofNullable(byKey.get(asked.key()));
  }

  public boolean has(ReviewItem asked) {
    return find(asked).isPresent();
  }

  /** Whether it is gone, or another one than when it was asked about. */
  public boolean isChanged(ReviewItem asked) {
    return !find(asked).map(ReviewItem::digest).equals(Optional.of(asked.digest()));
  }

  /**
   * The ways by which somebody has what they have at a place, each as the keys of the things that made it; empty where that cannot be said.
   */
  public List<List<String>> ways(ReviewItem asked) {
    return asked.kind() == ItemKind.ACCESS ? access.ways(asked) : List.of();
  }

  /** Whether what was decided is so: it is gone, or what stands there now is as it was to be. */
  public boolean isCarriedOut(ReviewItem item, Decision decision, DecidedChange.Instead instead) {
    Optional<ReviewItem> standing = find(item);
    if (decision == Decision.KEEP) {
      return true;
    }
    if (decision == Decision.REMOVE) {
      return standing.isEmpty();
    }
    if (item.kind() == ItemKind.ACCESS) {
      return decision == Decision.CHANGE && isAccessAs(item, instead);
    }
    // Another entry that says the same already does not make it so while the one that was decided on still stands as it was.
    return decision == Decision.CHANGE && standing.map(one -> isAs(one, instead)).orElse(true)
        && byKey.values().stream().anyMatch(one -> one.kind() == item.kind() && one.container().equals(item.container()) && one.subject().equals(item.subject()) && isAs(one, instead));
  }

  private static boolean isAs(ReviewItem standing, DecidedChange.Instead instead) {
    return (instead.role() == null || instead.role().equals(standing.role())) && (instead.until() == null || instead.until().equals(standing.period().until()));
  }

  private boolean isAccessAs(ReviewItem item, DecidedChange.Instead instead) {
    Snapshot snapshot = moment.snapshot();
    int place = snapshot.placeNumber(item.container());
    int person = snapshot.personNumber(item.subject().id());
    if (place < 0 || person < 0) {
      return false;
    }
    Role role = instead.role() == null ? null : snapshot.structure().roles().get(instead.role());
    boolean ended = instead.until() != null && !instead.until().isAfter(now);
    Rights rights = moment.rights(person, place);
    return (instead.role() == null || ended || role != null && rights.equals(role.rights())) && (instead.until() == null || snapshot.at(instead.until()).rights(person, place).isEmpty());
  }

  /** Why what was decided cannot be made so by changes of its own, in a sentence. */
  public String inTheWay(ReviewItem item) {
    if (!has(item)) {
      return "It is not there any more as it was; look what stands there now.";
    }
    Snapshot snapshot = moment.snapshot();
    return item.kind() == ItemKind.ACCESS && access.isOverseen(snapshot.placeNumber(item.container()), snapshot.personNumber(item.subject().id()))
        ? "They see it by oversight; the appointment has to end where it stands." : "Something else makes it otherwise: another decision, a guard, or an entry that does not name them. Look why they have it.";
  }
}
