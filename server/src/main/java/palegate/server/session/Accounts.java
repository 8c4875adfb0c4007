package palegate.server.session;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import palegate.core.duties.Duty;

/** Who may sign in. */
@Component
public class Accounts {
  /** An account; {@code person} is the id of the person it belongs to, or null. */
  public record Account(String login, String name, String passwordHash, String person, List<String> duties) {}

  private final JdbcClient jdbc;

  Accounts(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  public Optional<Account> find(String login) {
    List<String> duties = jdbc.sql("SELECT duty FROM duties WHERE account = :login ORDER BY duty")
        .param("login", login).query(String.class).list();
    return jdbc.sql("SELECT login, name, password_hash, person FROM accounts WHERE login = :login")
        .param("login", login)
        .query((row, i) -> new Account(row.getString("login"), row.getString("name"),
            row.getString("password_hash"), row.getString("person"), duties))
        .optional();
  }

  public boolean holdsAny(String login, Duty... wanted) {
    return jdbc.sql("SELECT COUNT(*) FROM duties WHERE account = :login AND duty IN (:duties)")
        .param("login", login).param("duties", Arrays.stream(wanted).map(Duty::word).toList())
        .query(Integer.class).single() > 0;
  }

  @Transactional
  public void add(Account account) {
    jdbc.sql("INSERT INTO accounts (login, name, password_hash, person) VALUES (:login, :name, :hash, :person)")
        .param("login", account.login()).param("name", account.name())
        .param("hash", account.passwordHash()).param("person", account.person()).update();
    for (String duty : account.duties()) {
      jdbc.sql("INSERT INTO duties (account, duty) VALUES (:login, :duty)")
          .param("login", account.login()).param("duty", duty).update();
    }
  }
}
