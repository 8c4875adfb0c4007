package palegate.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.List;

/** A state of a part as its row has it: with the change that began it, and the one that ended it; null while it holds. */
record Dated<T>(T part, long began, Long ended) {
  /** The same state, to whoever looks for what belongs to it. */
  record Key(String id, long began) {
    static Key of(ResultSet row, String id) throws SQLException {
      return new Key(row.getString(id), row.getLong("began"));
    }
  }

  static <T> Dated<T> of(ResultSet row, T part) throws SQLException {
    return new Dated<>(part, row.getLong("began"), row.getObject("ended", Long.class));
  }

  static <T> List<T> parts(List<Dated<T>> rows) {
    return rows.stream().map(Dated::part).toList();
  }
}
