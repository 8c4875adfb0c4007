package palegate.core.rehearsal;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import palegate.core.approvals.ApprovalRule;
import palegate.core.changes.Change;
import palegate.core.duties.Duty;
import palegate.core.places.Place;
import palegate.core.separations.Separation;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/**
 * Which rules ask for a second person's approval of a draft (section 8). The rules that count are those in force: a draft
 * that takes a rule away, or makes it another, still needs what that rule asks for.
 */
public final class ApprovalsNeeded {
  private final Rehearsal rehearsal;
  private final List<Change> changes;
  private final Structure before;
  private final Structure after;

  private ApprovalsNeeded(Rehearsal rehearsal, List<Change> changes) {
    this.rehearsal = rehearsal;
    this.changes = changes;
    before = rehearsal.before().structure();
    after = rehearsal.after().structure();
  }

  /**
   * One of the rules that apply.
   *
   * @param why in words
   * @param places those of the places that it names at or below which rights change; empty if it names none
   */
  public record Applies(ApprovalRule rule, String why, Set<String> places) {}

  /** The rules that apply to a draft, in order of their names. O(rules × changed places) at most. */
  public static List<Applies> of(Rehearsal rehearsal, List<Change> changes) {
    ApprovalsNeeded needed = new ApprovalsNeeded(rehearsal, changes);
    List<Applies> found = new ArrayList<>();
    for (ApprovalRule rule : needed.before.approvals().values()) {
      if (!rule.equals(needed.after.approvals().get(rule.id()))) {
        found.add(new Applies(rule, "it changes the rule “" + rule.name() + "”", rule.when().places()));
      } else if (needed.applies(rule.when())) {
        found.add(new Applies(rule, needed.why(rule), rule.when().places().stream().filter(place -> needed.changesAt(Set.of(place), rule.when().outsidersGain())).collect(Collectors.toSet())));
      }
    }
    needed.separations().forEach(found::add);
    found.sort((one, other) -> one.rule().name().compareTo(other.rule().name()));
    return found;
  }

  /** A separation that asks for approval is a rule of its own: by somebody who looks after access. So is one that stops asking. */
  private List<Applies> separations() {
    List<Applies> found = new ArrayList<>();
    for (Separation separation : before.separations().values()) {
      if (separation.needsApproval()) {
        boolean altered = !separation.equals(after.separations().get(separation.id()));
        long brought = altered ? 0 : rehearsal.separationsBroken().stream().filter(one -> one.separation().equals(separation.id())).map(one -> one.person()).distinct().count();
        if (altered || brought > 0) {
          ApprovalRule rule = new ApprovalRule("separation:" + separation.id(), separation.name(), ApprovalRule.When.duty(Duty.ACCESS), Duty.ACCESS);
          found.add(new Applies(rule, altered ? "it changes what “" + separation.name() + "” keeps apart"
              : "it brings " + brought + (brought == 1 ? " person" : " people") + " to hold together what “" + separation.name() + "” keeps apart", Set.of()));
        }
      }
    }
    return found;
  }

  private boolean applies(ApprovalRule.When when) {
    return (when.kinds().isEmpty() || changes.stream().anyMatch(change -> when.kinds().contains(change.kind().word())))
        && (when.duties().isEmpty() || changes.stream().anyMatch(change -> when.duties().contains(change.duty())))
        && (!when.outsidersGain() || !when.places().isEmpty() || rehearsal.differences().stream().anyMatch(at -> at.totals().outsidersGaining() > 0))
        && (when.places().isEmpty() || changesAt(when.places(), when.outsidersGain()));
  }

  /** Whether rights change at these places or below, at any instant that the rehearsal shows. */
  private boolean changesAt(Set<String> places, boolean outsidersGain) {
    Within within = new Within(places);
    return rehearsal.differences().stream().anyMatch(difference -> difference.changesAnywhere(within::holds, outsidersGain))
        || !outsidersGain && conditionsChange(within);
  }

  /** What a document is under, and who owns it, changes the rights that people have now, which no rehearsal of standing rights shows. */
  private boolean conditionsChange(Within within) {
    return rehearsal.altered().places().stream().anyMatch(id -> {
      Place was = before.places().get(id);
      Place is = after.places().get(id);
      boolean differs = was != null && is != null && (!was.conditions().equals(is.conditions()) || was.conditions().isPrivate() && !Objects.equals(was.owner(), is.owner()));
      return differs && within.holds(is);
    });
  }

  /** Whether places stand at or below some, before or after. */
  private final class Within {
    private final Set<String> tops;
    private final Map<String, Boolean> known = new HashMap<>();

    Within(Set<String> tops) {
      this.tops = tops;
    }

    boolean holds(Place place) {
      return holds(rehearsal.after(), place.id()) || holds(rehearsal.before(), place.id());
    }

    private boolean holds(Snapshot snapshot, String id) {
      int number = snapshot.placeNumber(id);
      if (number < 0) {
        return false;
      }
      int parent = snapshot.parent(number);
      String key = (snapshot == rehearsal.after() ? "+" : "-") + (parent < 0 ? id : snapshot.place(parent).id());
      // Brothers and sisters share all that is above them.
      return tops.contains(id) || parent >= 0 && known.computeIfAbsent(key, any -> snapshot.path(parent).stream().anyMatch(at -> tops.contains(snapshot.place(at).id())));
    }
  }

  private String why(ApprovalRule rule) {
    ApprovalRule.When when = rule.when();
    List<String> parts = new ArrayList<>();
    if (!when.kinds().isEmpty()) {
      parts.add("it holds changes of the kind " + String.join(" or ", when.kinds().stream().sorted().toList()));
    }
    if (!when.duties().isEmpty()) {
      parts.add("it takes the duty " + String.join(" or ", when.duties().stream().map(Duty::word).sorted().toList()));
    }
    if (!when.places().isEmpty()) {
      parts.add((when.outsidersGain() ? "outsiders gain rights in " : "rights change in ") + String.join(" or ", when.places().stream().map(this::name).sorted().toList()));
    } else if (when.outsidersGain()) {
      parts.add("outsiders gain rights");
    }
    return String.join(", and ", parts);
  }

  private String name(String place) {
    Place known = before.places().get(place);
    return known == null ? place : known.name();
  }
}
