package palegate.server.store;

import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.core.statements.Rhythm;

/** Statements that come by themselves, week by week or month by month. */
@Component
public class RegularStatementRecords {
  public record Regular(long id, String account, String name, String recipe, String format, Rhythm rhythm, boolean onlyIfChanged, Instant nextAt) {}

  private static final String COLUMNS = "id, account, name, recipe, format, every, day, only_if_changed, next_at";
  private static final int DUE_AT_ONCE = 20;

  private final JdbcClient jdbc;
  private final Transactions transactions;

  RegularStatementRecords(JdbcClient jdbc, Transactions transactions) {
    this.jdbc = jdbc;
    this.transactions = transactions;
  }

  /** Of one account, by name. */
  public List<Regular> of(String account) {
    return jdbc.sql("SELECT " + COLUMNS + " FROM regular_statements WHERE account = :account ORDER BY name").param("account", account).query(RegularStatementRecords::read).list();
  }

  public Optional<Regular> find(long id) {
    return jdbc.sql("SELECT " + COLUMNS + " FROM regular_statements WHERE id = :id").param("id", id).query(RegularStatementRecords::read).optional();
  }

  /** Adds one, in the place of one of that name; false if an account has as many as it may. */
  public boolean keep(Regular one, Instant now, int atMost) {
    return transactions.write(() -> {
      // Two windows that add at once are counted one after the other.
      jdbc.sql("SELECT login FROM accounts WHERE login = :account FOR UPDATE").param("account", one.account()).query(String.class).single();
      long others = jdbc.sql("SELECT COUNT(*) FROM regular_statements WHERE account = :account AND name <> :name").param("account", one.account()).param("name", one.name()).query(Long.class).single();
      if (others >= atMost) {
        return false;
      }
      jdbc.sql("""
          INSERT INTO regular_statements (account, name, recipe, format, every, day, only_if_changed, next_at, made_at) VALUES (:account, :name, :recipe, :format, :every, :day, :only, :next, :now)
          ON DUPLICATE KEY UPDATE recipe = VALUES(recipe), format = VALUES(format), every = VALUES(every), day = VALUES(day), only_if_changed = VALUES(only_if_changed), next_at = VALUES(next_at)
          """).param("account", one.account()).param("name", one.name()).param("recipe", one.recipe()).param("format", one.format()).param("every", one.rhythm().every().word()).param("day", one.rhythm().day())
          .param("only", one.onlyIfChanged()).param("next", Instants.toDatabase(one.nextAt())).param("now", Instants.toDatabase(now)).update();
      return true;
    });
  }

  public boolean forget(String account, long id) {
    return jdbc.sql("DELETE FROM regular_statements WHERE account = :account AND id = :id").param("account", account).param("id", id).update() == 1;
  }

  /** The first of those whose time has come. */
  public List<Regular> due(Instant now) {
    return jdbc.sql("SELECT " + COLUMNS + " FROM regular_statements WHERE next_at <= :now ORDER BY next_at, id LIMIT :most").param("now", Instants.toDatabase(now)).param("most", DUE_AT_ONCE)
        .query(RegularStatementRecords::read).list();
  }

  /** Sets when it comes next; false if another instance has done so, or it is gone. */
  public boolean advance(Regular one, Instant next) {
    return jdbc.sql("UPDATE regular_statements SET next_at = :next WHERE id = :id AND next_at = :was").param("next", Instants.toDatabase(next)).param("id", one.id()).param("was", Instants.toDatabase(one.nextAt())).update() == 1;
  }

  private static Regular read(ResultSet row, int number) throws SQLException {
    return new Regular(row.getLong("id"), row.getString("account"), row.getString("name"), row.getString("recipe"), row.getString("format"),
        new Rhythm(Rhythm.Every.valueOf(row.getString("every").toUpperCase(Locale.ROOT)), row.getInt("day")), row.getBoolean("only_if_changed"), Instants.read(row, "next_at"));
  }
}
