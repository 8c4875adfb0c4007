package palegate.core.reversal;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import palegate.core.changes.Change;
import palegate.core.changes.GuardChange;
import palegate.core.changes.PlaceChange;
import palegate.core.changes.TypeChange;
import palegate.core.places.Conditions;
import palegate.core.places.Guards;
import palegate.core.places.Place;
import palegate.core.questions.Conversion;

/** Undoes what a change did to places: what is there, where it stands, what it is called and carries; lists of entries aside. */
final class UndoingPlaces {
  private final Undoing undoing;

  UndoingPlaces(Undoing undoing) {
    this.undoing = undoing;
  }

  /** Brings back what was removed, and sets back what was altered. */
  void setBack() {
    List<String> altered = Undoing.inOrder(undoing.undone.places());
    List<Place> gone = altered.stream().map(undoing.before.places()::get).filter(Objects::nonNull)
        .filter(place -> !undoing.after.places().containsKey(place.id())).toList();
    parentsFirst(gone).forEach(this::bringBack);
    for (String id : altered) {
      Place was = undoing.before.places().get(id);
      Place made = undoing.after.places().get(id);
      Place is = undoing.now.places().get(id);
      if (was != null && made != null && is == null) {
        undoing.leave("place:" + id, "It has been taken away since.");
      } else if (was != null && made != null) {
        setBack(was, made, is);
      }
    }
    restoreConvertedValues();
  }

  private void bringBack(Place place) {
    if (undoing.now.places().containsKey(place.id())) {
      undoing.leave("place:" + place.id(), "It is there again.");
      return;
    }
    undoing.changes.add(new PlaceChange.AddPlace(place.guarded(Guards.NONE).in(Conditions.NONE)));
    if (place.guards().any()) {
      undoing.changes.add(new GuardChange.SetGuards(place.id(), place.guards()));
    }
    for (Conditions.Condition condition : Conditions.Condition.values()) {
      if (place.conditions().has(condition)) {
        undoing.changes.add(putUnder(place, condition));
      }
    }
  }

  private void setBack(Place was, Place made, Place is) {
    String id = was.id();
    String thing = "place:" + id;
    if (undoing.setsBack(thing, was.name(), made.name(), is.name(), "Its name")) {
      undoing.changes.add(new PlaceChange.RenamePlace(id, was.name()));
    }
    if (undoing.setsBack(thing, was.parent(), made.parent(), is.parent(), "Where it stands")) {
      undoing.changes.add(new PlaceChange.MovePlace(id, was.parent()));
    }
    Map<String, String> labels = labels(was, made, is);
    if (!labels.equals(is.labels())) {
      undoing.changes.add(new PlaceChange.SetLabels(id, labels));
    }
    Guards guards = new Guards(undoing.merged(thing, was.guards().ceiling(), made.guards().ceiling(), is.guards().ceiling(), "Its ceiling"),
        undoing.merged(thing, was.guards().reserveSharing(), made.guards().reserveSharing(), is.guards().reserveSharing(), "Whether sharing is reserved"),
        undoing.merged(thing, was.guards().noTakeaway(), made.guards().noTakeaway(), is.guards().noTakeaway(), "Whether it may be taken away"));
    if (!guards.equals(is.guards())) {
      undoing.changes.add(new GuardChange.SetGuards(id, guards.any() ? guards : Guards.NONE));
    }
    releaseWhatWasPutUnder(was, made, is);
    String type = undoing.merged(thing, was.type(), made.type(), is.type(), "Its type");
    String owner = undoing.merged(thing, was.owner(), made.owner(), is.owner(), "Its owner");
    if (!Objects.equals(type, is.type()) || !Objects.equals(owner, is.owner())) {
      undoing.changes.add(new PlaceChange.SetDocument(id, type, owner));
    }
    putBackWhatWasReleased(was, made, is);
  }

  /** Label by label: one that was altered again since, or has come since, stays. */
  private Map<String, String> labels(Place was, Place made, Place is) {
    Map<String, String> merged = new HashMap<>(is.labels());
    Set<String> keys = new TreeSet<>(was.labels().keySet());
    keys.addAll(made.labels().keySet());
    for (String key : keys) {
      String value = undoing.merged("place:" + was.id(), was.labels().get(key), made.labels().get(key), is.labels().get(key), "Its label " + key);
      if (value == null) {
        merged.remove(key);
      } else {
        merged.put(key, value);
      }
    }
    return merged;
  }

  private void releaseWhatWasPutUnder(Place was, Place made, Place is) {
    for (Conditions.Condition condition : Conditions.Condition.values()) {
      Conditions before = only(was, condition);
      if (!before.has(condition) && only(made, condition).has(condition)
          && undoing.setsBack("place:" + was.id(), before, only(made, condition), only(is, condition), "Whether it is " + condition.words())) {
        undoing.changes.add(new GuardChange.Release(was.id(), condition));
      }
    }
  }

  private void putBackWhatWasReleased(Place was, Place made, Place is) {
    for (Conditions.Condition condition : Conditions.Condition.values()) {
      Conditions before = only(was, condition);
      if (before.has(condition) && undoing.setsBack("place:" + was.id(), before, only(made, condition), only(is, condition), "Whether it is " + condition.words())) {
        if (made.conditions().has(condition)) {
          undoing.changes.add(new GuardChange.Release(was.id(), condition));
        }
        undoing.changes.add(putUnder(was, condition));
      }
    }
  }

  private static Conditions only(Place place, Conditions.Condition condition) {
    return Conditions.NONE.with(condition, place.conditions());
  }

  private static Change putUnder(Place was, Conditions.Condition condition) {
    boolean checkOut = condition == Conditions.Condition.CHECKED_OUT;
    return new GuardChange.PutUnder(was.id(), condition, checkOut ? was.conditions().checkedOutBy() : null, checkOut ? was.conditions().checkedOutAt() : null);
  }

  /** A type that gets its old fields back converts the values of its documents; those that have come since stay as they were written. */
  private void restoreConvertedValues() {
    Map<String, Map<String, String>> written = new TreeMap<>();
    for (Change change : List.copyOf(undoing.changes)) {
      if (change instanceof TypeChange.SetType set) {
        Conversion.of(undoing.now, set.type()).stream().filter(converted -> converted.after() != null).map(Conversion.Converted::document)
            .forEach(document -> written.put(document.id(), wanted(document)));
      }
    }
    Set<String> said = new TreeSet<>();
    undoing.changes.forEach(change -> {
      if (change instanceof PlaceChange.SetLabels set) {
        said.add(set.place());
      }
    });
    written.forEach((document, labels) -> {
      if (!said.contains(document)) {
        undoing.changes.add(new PlaceChange.SetLabels(document, labels));
      }
    });
  }

  private Map<String, String> wanted(Place is) {
    Place was = undoing.before.places().get(is.id());
    Place made = undoing.after.places().get(is.id());
    return was == null || made == null ? is.labels() : labels(was, made, is);
  }

  /** What the change made goes last, the innermost first, unless something has been made of it since. */
  void removeMade() {
    List<Place> made = Undoing.inOrder(undoing.undone.places()).stream().filter(id -> !undoing.before.places().containsKey(id))
        .map(undoing.after.places()::get).filter(place -> undoing.now.places().containsKey(place.id())).toList();
    Set<String> going = new LinkedHashSet<>();
    List<Place> innermostFirst = new ArrayList<>(parentsFirst(made));
    Collections.reverse(innermostFirst);
    for (Place place : innermostFirst) {
      String since = sinceMade(place, going);
      if (since == null) {
        going.add(place.id());
        undoing.changes.add(new PlaceChange.RemovePlace(place.id()));
      } else {
        undoing.leave("place:" + place.id(), since);
      }
    }
  }

  /** What has been made of a place since, in words; null if nothing. */
  private String sinceMade(Place made, Set<String> going) {
    int number = undoing.newest.placeNumber(made.id());
    if (!made.equals(undoing.now.places().get(made.id()))) {
      return "It was altered again since.";
    }
    boolean keepsChildren = undoing.newest.children(number).stream().anyMatch(child -> !going.contains(undoing.newest.place(child).id()));
    if (keepsChildren) {
      return "There is something below it now that was not there then.";
    }
    boolean otherEntries = undoing.newest.ownEntries(number).stream().anyMatch(entry -> !entry.equals(undoing.after.entry(entry.id())))
        || undoing.newest.ownOversights(number).stream().anyMatch(oversight -> !oversight.equals(undoing.after.oversights().get(oversight.id())));
    return otherEntries ? "Its list has been altered since." : null;
  }

  private static List<Place> parentsFirst(List<Place> places) {
    Map<String, Place> waiting = new TreeMap<>();
    places.forEach(place -> waiting.put(place.id(), place));
    List<Place> ordered = new ArrayList<>();
    for (Place place : places) {
      List<Place> way = new ArrayList<>();
      for (Place at = waiting.remove(place.id()); at != null; at = at.parent() == null ? null : waiting.remove(at.parent())) {
        way.add(at);
      }
      Collections.reverse(way);
      ordered.addAll(way);
    }
    return ordered;
  }
}
