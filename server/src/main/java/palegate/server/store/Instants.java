package palegate.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import palegate.core.people.Period;

/** Instants as the database keeps them: DATETIME(6) in UTC. */
public final class Instants {
  private Instants() {}

  public static LocalDateTime toDatabase(Instant instant) {
    return instant == null ? null : LocalDateTime.ofInstant(instant, ZoneOffset.UTC);
  }

  public static Instant fromDatabase(LocalDateTime utc) {
    return utc == null ? null : utc.toInstant(ZoneOffset.UTC);
  }

  public static Instant read(ResultSet row, String column) throws SQLException {
    return fromDatabase(row.getObject(column, LocalDateTime.class));
  }

  static Period period(ResultSet row) throws SQLException {
    Instant from = read(row, "holds_from");
    Instant until = read(row, "holds_until");
    return from == null && until == null ? Period.ALWAYS : new Period(from, until);
  }
}
