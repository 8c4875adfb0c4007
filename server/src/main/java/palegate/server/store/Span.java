package palegate.server.store;

import java.util.Map;

/** Which rows of history are meant, as a condition on the state table whose alias is {@code r}. */
record Span(String condition, Map<String, Long> parameters) {
  /** The rows that held after a change. */
  static Span asOf(long change) {
    return new Span("r.began <= :change AND (r.ended IS NULL OR r.ended > :change)", Map.of("change", change));
  }

  /** The rows that held after a change and hold no more. */
  static Span goneSince(long change) {
    return new Span("r.began <= :change AND r.ended > :change", Map.of("change", change));
  }

  /** The rows that hold now and began after a change. */
  static Span comeSince(long change) {
    return new Span("r.began > :change AND r.ended IS NULL", Map.of("change", change));
  }

  /** The rows that any change after one, up to another, began or ended. */
  static Span alteredBetween(long after, long upTo) {
    return new Span("((r.began > :after AND r.began <= :upTo) OR (r.ended > :after AND r.ended <= :upTo))", Map.of("after", after, "upTo", upTo));
  }
}
