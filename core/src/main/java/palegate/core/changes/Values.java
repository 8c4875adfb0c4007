package palegate.core.changes;

import java.time.Instant;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Set;
import palegate.core.people.Period;
import palegate.core.people.Subject;

/** The values of a change's fields, as they were read; null for what was left out. */
final class Values {
  private final Map<String, Object> values;

  Values(Map<String, Object> values) {
    this.values = values;
  }

  /** Of whatever type the field has. */
  @SuppressWarnings("unchecked")
  <V> V get(String field) {
    return (V) values.get(field);
  }

  String text(String field) {
    return get(field);
  }

  boolean flag(String field) {
    return Boolean.TRUE.equals(values.get(field));
  }

  Subject subject() {
    return get("subject");
  }

  <V> List<V> list(String field) {
    List<V> list = get(field);
    return list == null ? List.of() : list;
  }

  <V> Set<V> set(String field) {
    List<V> list = list(field);
    return Set.copyOf(list);
  }

  Map<String, String> labels() {
    Map<String, String> labels = get("labels");
    return labels == null ? Collections.emptyMap() : labels;
  }

  /** From the fields {@code from} and {@code until}. */
  Period period() {
    Instant from = get("from");
    Instant until = get("until");
    return from == null && until == null ? Period.ALWAYS : new Period(from, until);
  }
}
