package palegate.core.changes;

import java.util.ArrayList;
import java.util.List;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;

/** What the changes of access lists have in common. */
final class AccessList {
  private AccessList() {}

  static void add(Making on, ChangeAtPlace change, Entry entry) {
    if (on.place(change, change.place()) == null) {
      return;
    }
    Checks checks = on.checks(change)
        .refuseIf(on.pending.grant(entry.id()) != null || on.pending.withholding(entry.id()) != null,
            "The id [" + entry.id() + "] is taken.", "Add the entry under another id.")
        .subject(entry.subject())
        .types(entry.types())
        .refuseIf(entry.period().endedBy(on.now), "The entry would already have ended at [" + entry.period().until() + "].",
            "Choose an end that is still to come, or none.");
    if (entry instanceof Grant grant) {
      checks.role(grant.role());
    } else {
      checks.refuseIf(((Withholding) entry).rights().isEmpty(), "The withholding names no right.", "Name at least one of the nine rights.");
    }
    if (checks.passed()) {
      on.pending.put(entry);
    }
  }

  static void remove(Making on, AccessChange change, Entry entry, String noun, String id) {
    if (on.place(change, change.place()) == null) {
      return;
    }
    if (entry == null || !entry.place().equals(change.place())) {
      on.refuseGone(change, "The " + noun + " [" + id + "] does not stand at this place (any more).");
    } else {
      on.pending.remove(entry);
    }
  }

  /** Copies the entries that reach a place to it, as far as they matter there and it does not say the same itself. */
  static void carryOver(Making on, Place place, String prefix) {
    int carried = 0;
    for (Place above = on.pending.place(place.parent()); above != null; above = above.standsAlone() ? null : on.pending.place(above.parent())) {
      for (Entry entry : on.pending.entriesAt(above.id())) {
        boolean matters = !entry.period().endedBy(on.now) && (!place.isDocument() || entry.touches(place.type()));
        if (matters && on.pending.entriesAt(place.id()).stream().noneMatch(own -> own.saysTheSameAs(entry))) {
          String id = prefix + "." + ++carried;
          on.pending.put(entry instanceof Grant grant ? grant.copiedTo(id, place.id()) : ((Withholding) entry).copiedTo(id, place.id()));
        }
      }
    }
  }

  static List<Place> brokenAtOrBelow(Pending pending, Place top) {
    Snapshot base = pending.base;
    int number = base.placeNumber(top.id());
    if (number < 0) {
      return List.of(top);
    }
    List<Place> broken = new ArrayList<>();
    for (int at : base.below(number).toArray()) {
      Place place = pending.place(base.place(at).id());
      if (place != null && place.standsAlone()) {
        broken.add(place);
      }
    }
    return broken;
  }
}
