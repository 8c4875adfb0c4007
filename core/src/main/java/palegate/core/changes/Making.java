package palegate.core.changes;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import palegate.core.places.Place;
import palegate.core.text.IllFormed;
import palegate.core.text.WellFormed;
import palegate.core.types.DocumentType;
import palegate.core.types.FieldFaults;
import palegate.core.types.FieldValues;

/** A draft being made on a structure: what has come of it so far, and what was refused. */
public final class Making {
  final Pending pending;
  /** Decides what has ended. */
  final Instant now;
  private final List<Refusal> refusals = new ArrayList<>();
  private int position;
  /** The documents that the draft alters, each with the last change that did. */
  private final Map<String, Integer> altered = new LinkedHashMap<>();

  Making(Pending pending, Instant now) {
    this.pending = pending;
    this.now = now;
  }

  /** What is ill-formed in it is refused, and what else stands against it too: all of it is said at once. Of too many things nothing more is asked. */
  void make(Change change) {
    List<WellFormed.Wrong> wrong = Shape.wrongs(change);
    wrong.forEach(one -> refuse(change, one.what(), one.remedy()));
    if (wrong.stream().noneMatch(WellFormed.Wrong::tooMany)) {
      Place was = change instanceof PlaceChange at ? wasBefore(at.place()) : null;
      try {
        change.make(this);
      } catch (IllFormed notToBeHeld) {
        if (wrong.isEmpty()) {
          refuse(change, notToBeHeld.wrong().what(), notToBeHeld.wrong().remedy());
        }
      }
      if (change instanceof PlaceChange at) {
        altered.put(at.place(), position);
        writeFieldsInOneForm(at.place());
        refuseNewFaults(at.place(), was, position, fault -> fault.value() != null);
      }
    }
    position++;
  }

  /**
   * Once all changes are made: no document that the draft alters is left without what its type requires, unless it was so before. Its
   * type and its fields may come in any order. What comes back as it was may lack what it lacked.
   */
  void finish() {
    altered.forEach((id, last) -> refuseNewFaults(id, pending.formerly(id), last, fault -> fault.value() == null));
  }

  private Place wasBefore(String id) {
    Place now = pending.place(id);
    return now == null ? pending.formerly(id) : now;
  }

  private void refuseNewFaults(String id, Place was, int by, Predicate<FieldFaults.FieldFault> kind) {
    Place now = pending.place(id);
    DocumentType type = now == null ? null : pending.type(now.type());
    if (type != null && !type.fields().isEmpty()) {
      List<FieldFaults.FieldFault> before = was == null || !now.type().equals(was.type()) ? List.of() : FieldFaults.of(type, was.labels(), this::person);
      FieldFaults.of(type, now.labels(), this::person).stream().filter(kind).filter(fault -> !before.contains(fault))
          .forEach(fault -> refusals.add(new Refusal(by, "place:" + id, "[" + now.name() + "]: " + fault.what(), fault.remedy(), List.of(),
              fault.value() != null && fault.field().kind() == DocumentType.Kind.PERSON)));
    }
  }

  /** However a value was written, it is kept in the one form that its kind has. */
  private void writeFieldsInOneForm(String id) {
    Place place = pending.place(id);
    DocumentType type = place == null ? null : pending.type(place.type());
    if (type == null) {
      return;
    }
    Map<String, String> labels = new HashMap<>(place.labels());
    for (DocumentType.Field field : type.fields()) {
      labels.computeIfPresent(field.key(), (key, value) -> value.isBlank() ? value : FieldValues.in(field, value, this::person).orElse(value));
    }
    if (!labels.equals(place.labels())) {
      pending.put(place.labelled(labels));
    }
  }

  /** By id alone: whom a name means would depend on who else there is, which the author need not know. */
  private Optional<String> person(String id) {
    return pending.person(id) == null ? Optional.empty() : Optional.of(id);
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
    refusals.add(new Refusal(position, change.thing(), what, remedy, cycle, false));
  }

  /** The name is taken, as far as the author knows. The change is made all the same. */
  void refuseTakenName(Change change, String what, String remedy) {
    refusals.add(new Refusal(position, change.thing(), what, remedy, List.of(), true));
  }

  /** What was meant is no longer there to be altered. */
  void refuseGone(Change change, String what) {
    refuse(change, what, "Remove this change from the draft.");
  }

  List<Refusal> refusals() {
    return refusals;
  }
}
