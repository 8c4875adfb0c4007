package palegate.core.bundle;

import java.time.DateTimeException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiConsumer;
import java.util.function.Function;
import palegate.core.text.WellFormed;
import tools.jackson.databind.JsonNode;

/** That names, texts, labels and instants of a bundle are well-formed: the rules and sentences that hold for every way in. */
final class TextCheck {
  private final List<Fault> faults;

  private TextCheck(List<Fault> faults) {
    this.faults = faults;
  }

  static void check(JsonNode bundle, List<Fault> faults) {
    new TextCheck(faults).checkAll(bundle);
  }

  private void checkAll(JsonNode bundle) {
    bundle.propertyStream().filter(list -> list.getValue().isArray()).forEach(list -> each(bundle, list.getKey(), "", (item, at) -> {
      text(item, "name", at, WellFormed::name);
      for (String key : List.of("description", "reason", "note")) {
        text(item, key, at, WellFormed::text);
      }
      instants(item, at);
      labels(item.path("labels"), at + "/labels");
    }));
    each(bundle, "people", "", (person, at) -> {
      text(person, "login", at, WellFormed::login);
      text(person, "email", at, WellFormed::email);
    });
    each(bundle, "groups", "", (group, at) -> each(group, "members", at, this::instants));
    each(bundle, "types", "", (type, at) -> {
      text(type, "shortName", at, WellFormed::name);
      each(type, "clearances", at, this::instants);
      each(type, "fields", at, this::field);
    });
    each(bundle, "places", "", (place, at) -> {
      JsonNode conditions = place.path("conditions");
      text(conditions, "checkedOutAt", at + "/conditions", TextCheck::instant);
      if (conditions.path("checkedOutAt").isString() && !conditions.path("checkedOutBy").isString()) {
        faults.add(new Fault(at + "/conditions/checkedOutAt", "The document is checked out since then by nobody.", "Name who has it, or leave the time out."));
      }
    });
    each(bundle, "shortlists", "", (list, at) -> each(list, "audiences", at, (audience, there) -> {
      text(audience, "name", there, WellFormed::name);
      text(audience, "text", there, WellFormed::text);
    }));
    each(bundle, "walls", "", (wall, at) -> {
      scope(wall.path("scope"), at + "/scope");
      each(wall, "exceptions", at, this::instants);
      each(wall, "sides", at, (side, there) -> {
        text(side, "name", there, WellFormed::name);
        scope(side.path("scope"), there + "/scope");
      });
    });
  }

  private void field(JsonNode field, String at) {
    text(field, "key", at, WellFormed::key);
    text(field, "label", at, WellFormed::name);
    text(field, "help", at, WellFormed::text);
    values(field, "choices", at);
  }

  private void labels(JsonNode labels, String at) {
    labels.propertyStream().forEach(label -> {
      String there = at + "/" + Pointers.escape(label.getKey());
      add(there, WellFormed.key(label.getKey()));
      String value = label.getValue().isString() ? label.getValue().asString() : "";
      add(there, value.isEmpty() ? Optional.empty() : WellFormed.value(value));
    });
  }

  private void scope(JsonNode scope, String at) {
    for (Map.Entry<String, JsonNode> label : scope.path("labels").properties()) {
      add(at + "/labels/" + Pointers.escape(label.getKey()), WellFormed.key(label.getKey()));
      values(scope.path("labels"), label.getKey(), at + "/labels");
    }
  }

  private void values(JsonNode holder, String key, String at) {
    JsonNode values = holder.path(key);
    for (int i = 0; values.isArray() && i < values.size(); i++) {
      if (values.get(i).isString()) {
        add(at + "/" + Pointers.escape(key) + "/" + i, WellFormed.value(values.get(i).asString()));
      }
    }
  }

  private void instants(JsonNode holder, String at) {
    text(holder, "from", at, TextCheck::instant);
    text(holder, "until", at, TextCheck::instant);
  }

  private static Optional<WellFormed.Wrong> instant(String text) {
    try {
      return WellFormed.instant(Instants.parse(text));
    } catch (DateTimeException other) {
      // What is no instant at all has been reported by the schema, or with the references.
      return Optional.empty();
    }
  }

  private void text(JsonNode holder, String key, String at, Function<String, Optional<WellFormed.Wrong>> rule) {
    if (holder.path(key).isString()) {
      add(at + "/" + key, rule.apply(holder.path(key).asString()));
    }
  }

  private void add(String at, Optional<WellFormed.Wrong> found) {
    found.ifPresent(wrong -> faults.add(new Fault(at, wrong.what(), wrong.remedy())));
  }

  private static void each(JsonNode holder, String key, String at, BiConsumer<JsonNode, String> check) {
    JsonNode items = holder.path(key);
    for (int i = 0; items.isArray() && i < items.size(); i++) {
      check.accept(items.get(i), at + "/" + key + "/" + i);
    }
  }
}
