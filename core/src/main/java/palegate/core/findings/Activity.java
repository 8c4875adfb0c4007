package palegate.core.findings;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import palegate.core.duties.Duty;
import palegate.core.places.Conditions;

/**
 * What is known of what people did, which a structure does not say. Of a bundle nothing is known, and nothing is found in it by rules that ask for this.
 *
 * @param unexplainedBreaks places that were broken by a change that does not say why, and when
 * @param dutySince since when each duty has been handed out, by its id
 * @param dutyUsed when people last used which duty, by their id
 * @param grantSince since when each grant has been there, by its id
 * @param openings what was opened; null if that is not known
 * @param conditionSince since when documents have been private or frozen, by condition and place
 * @param drafts those that the asker may see
 */
public record Activity(Map<String, Instant> unexplainedBreaks, Map<String, Instant> dutySince, Map<String, Map<Duty, Instant>> dutyUsed, Map<String, Instant> grantSince, Openings openings,
    Map<Conditions.Condition, Map<String, Instant>> conditionSince, List<Draft> drafts) {
  public static final Activity UNKNOWN = new Activity(Map.of(), Map.of(), Map.of(), Map.of(), null, Map.of(), List.of());

  /**
   * Openings since an instant, all of them, or none are given (access rules, section 14).
   *
   * @param from since when they have been recorded
   * @param opened who opened what, each pair once
   */
  public record Openings(Instant from, List<Opened> opened) {
    public Openings {
      opened = List.copyOf(opened);
    }
  }

  public record Opened(String person, String place) {}

  /** A draft with something in it that nobody has put in force, and that does not wait for its hour. */
  public record Draft(long id, String name, String owner, Instant begun, int changes) {}

  public Activity {
    unexplainedBreaks = Map.copyOf(unexplainedBreaks);
    dutySince = Map.copyOf(dutySince);
    dutyUsed = Map.copyOf(dutyUsed);
    grantSince = Map.copyOf(grantSince);
    conditionSince = Map.copyOf(conditionSince);
    drafts = List.copyOf(drafts);
  }
}
