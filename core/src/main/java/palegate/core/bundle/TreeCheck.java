package palegate.core.bundle;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;
import palegate.core.places.PlaceKind;
import tools.jackson.databind.JsonNode;

/** That the tree of places is one, that kinds stand where they may, and that nothing forms a cycle. */
final class TreeCheck {
  private final JsonNode bundle;
  private final Ids ids;
  private final List<Fault> faults;

  private TreeCheck(JsonNode bundle, Ids ids, List<Fault> faults) {
    this.bundle = bundle;
    this.ids = ids;
    this.faults = faults;
  }

  static void check(JsonNode bundle, Ids ids, List<Fault> faults) {
    TreeCheck check = new TreeCheck(bundle, ids, faults);
    check.checkPlaces();
    check.checkCycles("units", unit -> texts(unit.path("parent")));
    check.checkCycles("places", place -> texts(place.path("parent")));
    check.checkCycles("groups", group -> group.path("members").valueStream()
        .flatMap(member -> texts(member.path("group")).stream()).toList());
  }

  private void checkPlaces() {
    JsonNode places = bundle.path("places");
    String root = null;
    for (int i = 0; places.isArray() && i < places.size(); i++) {
      JsonNode place = places.get(i);
      String at = "/places/" + i;
      PlaceKind kind = kind(place);
      if (kind == PlaceKind.REPOSITORY) {
        if (root != null) {
          faults.add(new Fault(at, "There is a second repository [" + id(place) + "] beside [" + root + "].",
              "A bundle has one repository; make this one a library below it."));
        }
        root = root == null ? id(place) : root;
      }
      if (kind != null) {
        checkParent(place, kind, at);
        checkKeys(place, kind, at);
      }
      ids.checkReference(place, "type", "types", at);
      ids.checkReference(place, "owner", "people", at);
      ids.checkReference(place, "ceiling", "roles", at);
      ids.checkReference(place.path("conditions"), "checkedOutBy", "people", at + "/conditions");
    }
    if (places.isArray() && !places.isEmpty() && root == null) {
      faults.add(new Fault("/places", "There is no repository.", "Add one place of kind repository, without a parent, above all others."));
    }
  }

  private void checkParent(JsonNode place, PlaceKind kind, String at) {
    boolean named = place.path("parent").isString();
    if (kind == PlaceKind.REPOSITORY) {
      if (named) {
        faults.add(new Fault(at + "/parent", "The repository stands below nothing.", "Leave parent out."));
      }
      return;
    }
    if (!named) {
      faults.add(new Fault(at, "The " + kind.word() + " [" + id(place) + "] has no parent.", "Name the place that it stands below."));
      return;
    }
    ids.checkReference(place, "parent", "places", at);
    JsonNode parent = ids.find("places", place.path("parent").asString());
    PlaceKind above = parent == null ? null : kind(parent);
    if (above != null && !kind.mayStandBelow(above)) {
      faults.add(new Fault(at + "/parent", "A " + kind.word() + " cannot stand below a " + above.word() + ".", switch (kind) {
        case LIBRARY -> "Libraries stand below the repository.";
        case LINK -> "Links stand below the repository, a library or a folder.";
        default -> "Folders and documents stand below a library or a folder.";
      }));
    }
  }

  private void checkKeys(JsonNode place, PlaceKind kind, String at) {
    boolean link = kind == PlaceKind.LINK;
    boolean target = place.path("target").isString();
    if (link && !target) {
      faults.add(new Fault(at, "The link [" + id(place) + "] shows nothing.", "Name the place it shows as target."));
    } else if (!link && target) {
      faults.add(new Fault(at + "/target", "A " + kind.word() + " has no target.", "Leave it out, or make the place a link."));
    } else if (link) {
      ids.checkReference(place, "target", "places", at);
      JsonNode shown = ids.find("places", place.path("target").asString());
      if (shown != null && kind(shown) == PlaceKind.LINK) {
        faults.add(new Fault(at + "/target", "[" + place.path("target").asString() + "] is a link itself.", "Let the link show a place that is not a link."));
      }
    }
    for (String key : List.of("type", "owner", "conditions")) {
      if (kind != PlaceKind.DOCUMENT && place.has(key) && !place.get(key).isNull()) {
        faults.add(new Fault(at + "/" + key, "A " + kind.word() + " has no " + key + ".", "Only a document can have one; leave it out."));
      }
    }
    if (kind == PlaceKind.DOCUMENT && place.path("conditions").path("private").asBoolean(false) && !place.path("owner").isString()) {
      faults.add(new Fault(at + "/conditions/private", "A private document needs an owner.", "Name its owner."));
    }
  }

  private void checkCycles(String list, Function<JsonNode, List<String>> next) {
    Map<String, Integer> positions = new HashMap<>();
    JsonNode items = bundle.path(list);
    for (int i = 0; items.isArray() && i < items.size(); i++) {
      positions.putIfAbsent(id(items.get(i)), i);
    }
    Set<String> done = new HashSet<>();
    for (String start : ids.all(list).keySet().stream().sorted().toList()) {
      if (done.contains(start)) {
        continue;
      }
      List<String> path = new ArrayList<>();
      List<List<String>> open = new ArrayList<>();
      List<Integer> progress = new ArrayList<>();
      Map<String, Integer> onPath = new HashMap<>();
      enter(start, list, next, path, open, progress, onPath);
      while (!path.isEmpty()) {
        int top = path.size() - 1;
        int step = progress.get(top);
        if (step == open.get(top).size()) {
          done.add(path.get(top));
          onPath.remove(path.remove(top));
          open.remove(top);
          progress.remove(top);
          continue;
        }
        progress.set(top, step + 1);
        String following = open.get(top).get(step);
        if (onPath.containsKey(following)) {
          List<String> cycle = new ArrayList<>(path.subList(onPath.get(following), path.size()));
          cycle.add(following);
          faults.add(new Fault("/" + list + "/" + positions.get(following),
              "The " + list + " form a cycle: " + String.join(" → ", cycle) + ".", "Cut it at one of these."));
        } else if (!done.contains(following) && ids.find(list, following) != null) {
          enter(following, list, next, path, open, progress, onPath);
        }
      }
    }
  }

  private void enter(String id, String list, Function<JsonNode, List<String>> next, List<String> path,
      List<List<String>> open, List<Integer> progress, Map<String, Integer> onPath) {
    onPath.put(id, path.size());
    path.add(id);
    open.add(next.apply(ids.find(list, id)));
    progress.add(0);
  }

  private static List<String> texts(JsonNode node) {
    return node.isString() ? List.of(node.asString()) : List.of();
  }

  private static String id(JsonNode item) {
    return item.path("id").isString() ? item.path("id").asString() : "";
  }

  private static PlaceKind kind(JsonNode place) {
    String word = place.path("kind").isString() ? place.path("kind").asString() : "";
    for (PlaceKind kind : PlaceKind.values()) {
      if (kind.word().equals(word)) {
        return kind;
      }
    }
    return null;
  }
}
