package palegate.core.changes;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import palegate.core.places.Place;
import palegate.core.text.WellFormed;

/** A draft being made on a structure: what has come of it so far, and what was refused. */
public final class Making {
  final Pending pending;
  /** Decides what has ended. */
  final Instant now;
  private final List<Refusal> refusals = new ArrayList<>();
  private int position;

  Making(Pending pending, Instant now) {
    this.pending = pending;
    this.now = now;
  }

  /** What is ill-formed is refused before anything is asked of the structure. */
  void make(Change change) {
    List<WellFormed.Wrong> wrong = Shape.wrongs(change);
    wrong.forEach(one -> refuse(change, one.what(), one.remedy()));
    if (wrong.isEmpty()) {
      change.make(this);
    }
    position++;
  }

  /** The place that a change is about; null, after refusing it, if there is none. */
  Place place(Change change, String id) {
    Place place = pending.place(id);
    if (place == null) {
      refuseGone(change, "The place [" + id + "] does not exist (any more).");
    }
    return place;
  }

  Checks checks(Change change) {
    return new Checks(this, change);
  }

  void refuse(Change change, String what, String remedy) {
    refuse(change, what, remedy, List.of());
  }

  /** @param cycle as {@link Refusal#cycle} has it */
  void refuse(Change change, String what, String remedy, List<String> cycle) {
    refusals.add(new Refusal(position, change.thing(), what, remedy, cycle));
  }

  /** What was meant is no longer there to be altered. */
  void refuseGone(Change change, String what) {
    refuse(change, what, "Remove this change from the draft.");
  }

  List<Refusal> refusals() {
    return refusals;
  }
}
