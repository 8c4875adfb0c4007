package palegate.server.store;

/** Which rows of history are meant, relative to one change. {@code r} is the state table's alias. */
enum Span {
  /** The rows that held after the change. */
  AS_OF("r.began <= :change AND (r.ended IS NULL OR r.ended > :change)"),
  /** The rows that the change began. */
  BEGAN("r.began = :change"),
  /** The rows that the change ended. */
  ENDED("r.ended = :change"),
  /** The rows that held after the change and hold no more. */
  GONE_SINCE("r.began <= :change AND r.ended > :change"),
  /** The rows that hold now and began after the change. */
  COME_SINCE("r.began > :change AND r.ended IS NULL");

  final String condition;

  Span(String condition) {
    this.condition = condition;
  }
}
