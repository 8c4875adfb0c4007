package palegate.core.questions;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import palegate.core.access.Trace;
import palegate.core.access.Trace.Step;
import palegate.core.access.stages.Pipeline;
import palegate.core.access.stages.Stage;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;

/**
 * Answers "why": runs the stages over what stands on the path to the root, where the fast path works
 * on classes, and writes down what each did.
 */
public final class Explanation {
  /** Whether whoever asks may see why a wall was raised. */
  public enum WallReasons {
    SHOWN, HIDDEN
  }

  private final Evidence evidence;
  private final Sentences sentences;

  private Explanation(Evidence evidence) {
    this.evidence = evidence;
    sentences = new Sentences(evidence);
  }

  /** Explains one person at one place, both named by their numbers. O(what stands on the path to the root). */
  public static Trace of(Snapshot snapshot, Instant instant, int person, int place, WallReasons reasons) {
    return of(snapshot.at(instant), instant, person, place, reasons);
  }

  public static Trace of(SnapshotAt moment, Instant instant, int person, int place, WallReasons reasons) {
    return new Explanation(new Evidence(moment, instant, person, place, reasons)).trace();
  }

  private Trace trace() {
    boolean barred = evidence.active() && evidence.barred();
    List<Step> steps = steps(Pipeline.STAGES);
    Trace.WithoutWalls without = null;
    if (barred) {
      List<Stage> others = Pipeline.STAGES.stream().filter(stage -> stage.number() > 1).toList();
      without = new Trace.WithoutWalls(result(others), result(standing(others)), steps(others));
    }
    return new Trace(evidence.who().id(), evidence.where().id(), evidence.instant(), result(Pipeline.STAGES),
        result(Pipeline.STANDING_STAGES), steps, without, evidence.silent());
  }

  private static List<Stage> standing(List<Stage> stages) {
    return stages.stream().filter(Pipeline.STANDING_STAGES::contains).toList();
  }

  private Rights result(List<Stage> stages) {
    int rights = 0;
    for (Stage stage : stages) {
      if (stage.stops(evidence)) {
        return Rights.NONE;
      }
      rights = stage.apply(rights, evidence);
    }
    return Rights.ofMask(rights);
  }

  private List<Step> steps(List<Stage> stages) {
    List<Step> steps = new ArrayList<>();
    Rights rights = Rights.NONE;
    for (Stage stage : stages) {
      Rights before = rights;
      boolean stops = stage.stops(evidence);
      rights = stops ? Rights.NONE : Rights.ofMask(stage.apply(before.mask(), evidence));
      steps.add(new Step(stage.number(), stage.title(), before, rights, sentences.reason(stage.number(), before, rights),
          evidence.acting(stage.number()), evidence.guards(stage.number())));
      if (stops) {
        break;
      }
    }
    return steps;
  }
}
