package palegate.core.bundle;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import tools.jackson.databind.JsonNode;

/** The ids of every list of a bundle, for checking what refers to them. */
final class Ids {
  private final JsonNode bundle;
  private final List<Fault> faults;
  private final Map<String, Map<String, JsonNode>> byList = new HashMap<>();

  Ids(JsonNode bundle, List<Fault> faults) {
    this.bundle = bundle;
    this.faults = faults;
    for (String list : List.of("units", "people", "groups", "roles", "types", "places", "grants",
        "withholdings", "oversights", "walls", "approvals", "duties", "passes", "separations")) {
      byList.put(list, collect(list));
    }
  }

  JsonNode find(String list, String id) {
    return byList.get(list).get(id);
  }

  Map<String, JsonNode> all(String list) {
    return byList.get(list);
  }

  /** Reports a reference that leads nowhere; absent and ill-shaped values are the schema's business. */
  void checkReference(JsonNode holder, String key, String list, String pointer) {
    JsonNode value = holder.get(key);
    if (value != null && value.isString() && find(list, value.asString()) == null) {
      faults.add(new Fault(pointer + "/" + Pointers.escape(key),
          "There is no [" + value.asString() + "] among the " + list + ".", "Name an id that stands in \"" + list + "\"."));
    }
  }

  void checkReferences(JsonNode holder, String key, String list, String pointer) {
    JsonNode values = holder.path(key);
    IntStream.range(0, values.isArray() ? values.size() : 0).forEach(i -> {
      if (values.get(i).isString() && find(list, values.get(i).asString()) == null) {
        faults.add(new Fault(pointer + "/" + key + "/" + i,
            "There is no [" + values.get(i).asString() + "] among the " + list + ".", "Name an id that stands in \"" + list + "\"."));
      }
    });
  }

  void checkSubject(JsonNode holder, String pointer) {
    JsonNode subject = holder.path("subject");
    checkSubjectValue(subject, pointer + "/subject");
  }

  void checkSubjects(JsonNode holder, String pointer) {
    checkSubjects(holder, "subjects", pointer);
  }

  void checkSubjects(JsonNode holder, String key, String pointer) {
    JsonNode subjects = holder.path(key);
    IntStream.range(0, subjects.isArray() ? subjects.size() : 0)
        .forEach(i -> checkSubjectValue(subjects.get(i), pointer + "/" + key + "/" + i));
  }

  private void checkSubjectValue(JsonNode subject, String pointer) {
    checkReference(subject, "person", "people", pointer);
    checkReference(subject, "group", "groups", pointer);
    checkReference(subject, "unit", "units", pointer);
  }

  private Map<String, JsonNode> collect(String list) {
    Map<String, JsonNode> ids = new HashMap<>();
    JsonNode items = bundle.path(list);
    for (int i = 0; items.isArray() && i < items.size(); i++) {
      JsonNode id = items.get(i).path("id");
      if (id.isString() && ids.putIfAbsent(id.asString(), items.get(i)) != null) {
        faults.add(new Fault("/" + list + "/" + i + "/id", "The id [" + id.asString() + "] stands twice in \"" + list + "\".",
            "Give every item of the list an id of its own."));
      }
    }
    return ids;
  }
}
