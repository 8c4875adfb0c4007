package palegate.core.shares;

import java.time.Duration;
import java.time.Instant;
import palegate.core.roles.Rights;
import palegate.core.sharing.SharingRule;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/**
 * What the places from the root down to one say about sharing, taken together (section 11): what is said nearer to the root is made
 * narrower further down, and never wider. No break stops it.
 *
 * @param rights what a share may give at most
 * @param days for how long a share may last at most; null for no bound
 */
public record SharingLimits(SharingRule.Who who, boolean outsiders, Rights rights, Integer days) {
  public static final SharingLimits NONE = new SharingLimits(SharingRule.Who.SHARERS, true, Rights.ALL, null);

  /** For so long a share lasts where nothing else is said. */
  public static final int DAYS_BY_DEFAULT = 28;

  /** O(depth). */
  public static SharingLimits at(Snapshot snapshot, int place) {
    Structure structure = snapshot.structure();
    SharingLimits limits = NONE;
    if (!structure.sharing().isEmpty()) {
      for (int above : snapshot.path(place)) {
        SharingRule rule = structure.sharing().get(snapshot.place(above).id());
        limits = rule == null ? limits : limits.and(rule, structure);
      }
    }
    return limits;
  }

  private SharingLimits and(SharingRule rule, Structure structure) {
    return new SharingLimits(rule.who().compareTo(who) < 0 ? rule.who() : who, outsiders && rule.outsiders(),
        rule.role() == null ? rights : rights.intersect(structure.roles().get(rule.role()).rights()), days == null || rule.days() != null && rule.days() < days ? rule.days() : days);
  }

  /** The latest end of a share that is made at an instant; null for no bound. */
  public Instant latestEnd(Instant now) {
    return days == null ? null : now.plus(Duration.ofDays(days));
  }

  /** How long a share lasts if nobody says otherwise. */
  public int usualDays() {
    return days == null ? DAYS_BY_DEFAULT : Math.min(days, DAYS_BY_DEFAULT);
  }
}
