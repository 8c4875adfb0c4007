package palegate.server.drafts;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;

/**
 * The rehearsal that was on the screen: what holds is what was seen (access rules, section 8).
 *
 * @param change the change on which it stood
 * @param digest of everything that it showed
 * @param at the instant from which it looked ahead
 */
public record Seen(long change,
    @NotNull(message = "Send the digest of the rehearsal that was shown.") @Pattern(regexp = "[0-9a-f]{64}", message = "Send the digest of the rehearsal that was shown.") String digest,
    @NotNull(message = "Send the instant of the rehearsal that was shown.") Instant at) {

  /** So many people of whom something else would now change are named; all of them are counted. */
  private static final int NAMED_AT_MOST = 20;

  /** One person of whom something else would now change than was shown; a side is missing where nothing changes. */
  public record OtherShift(String person, boolean outsider, @MayBeMissing Counts seen, @MayBeMissing Counts now) {}

  public record Counts(int placesGaining, int placesLosing, List<String> gained, List<String> lost) {
    static Counts of(RightsDifference.PersonShift shift) {
      return shift == null ? null : new Counts(shift.placesGaining(), shift.placesLosing(), shift.gained().words(), shift.lost().words());
    }
  }

  public static Seen of(long change, Rehearsal rehearsal) {
    return new Seen(change, rehearsal.digest(), rehearsal.instant());
  }

  public boolean is(Rehearsal rehearsal) {
    return digest.equals(rehearsal.digest());
  }

  /**
   * The refusal of what is not what was seen: the old against the new.
   *
   * @param then what was shown, worked out again; null if that can no longer be done
   */
  public static Problem other(Seen now, Rehearsal is, Rehearsal then) {
    Problem problem = Problem.of(HttpStatus.CONFLICT, "difference-moved", "It would now do something else than you saw",
        "Something was changed elsewhere, or began or ended, since this was shown. Nothing was done. Look at what it would do now, then decide again.")
        .with("now", now).with("totalsNow", is.now().totals());
    if (then != null) {
      List<OtherShift> others = others(then, is);
      problem.with("totalsSeen", then.now().totals()).with("people", others.subList(0, Math.min(NAMED_AT_MOST, others.size()))).with("peopleInAll", others.size());
    }
    return problem;
  }

  private static List<OtherShift> others(Rehearsal then, Rehearsal is) {
    Map<String, RightsDifference.PersonShift> seen = new LinkedHashMap<>();
    then.now().people().forEach(shift -> seen.put(shift.person().id(), shift));
    List<OtherShift> others = new ArrayList<>();
    for (RightsDifference.PersonShift now : is.now().people()) {
      RightsDifference.PersonShift was = seen.remove(now.person().id());
      if (was == null || !Counts.of(was).equals(Counts.of(now))) {
        others.add(new OtherShift(now.person().name(), now.person().external(), Counts.of(was), Counts.of(now)));
      }
    }
    seen.values().forEach(was -> others.add(new OtherShift(was.person().name(), was.person().external(), Counts.of(was), null)));
    return others;
  }
}
