package palegate.server.session;

import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import palegate.core.duties.Duty;
import palegate.server.store.Instants;
import palegate.server.store.RequestFacts;

/** Who may sign in. */
@Component
public class Accounts {
  /** An account; {@code person} is the id of the person it belongs to, or null. */
  public record Account(String login, String name, String passwordHash, String person, List<String> duties) {}

  private final JdbcClient jdbc;
  private final RequestFacts facts;

  Accounts(JdbcClient jdbc, RequestFacts facts) {
    this.jdbc = jdbc;
    this.facts = facts;
  }

  public Optional<Account> find(String login) {
    Optional<RequestFacts.Facts> asking = facts.of(login);
    if (asking.isPresent()) {
      return asking.map(known -> new Account(known.login(), known.name(), known.passwordHash(), known.person(), known.duties()));
    }
    List<String> duties = jdbc.sql("SELECT duty FROM duties WHERE account = :login ORDER BY duty")
        .param("login", login).query(String.class).list();
    return jdbc.sql("SELECT login, name, password_hash, person FROM accounts WHERE login = :login")
        .param("login", login)
        .query((row, i) -> new Account(row.getString("login"), row.getString("name"),
            row.getString("password_hash"), row.getString("person"), duties))
        .optional();
  }

  /** Whether the account's owner may come in: whoever is not active any more may not, from the next request on. */
  public boolean isOpen(String login) {
    Optional<RequestFacts.Facts> asking = facts.of(login);
    if (asking.isPresent()) {
      return asking.get().open();
    }
    return jdbc.sql("""
            SELECT COUNT(*) FROM accounts a LEFT JOIN person_states p ON p.person = a.person AND p.live = 1
            WHERE a.login = :login AND (a.person IS NULL OR p.active)
            """)
        .param("login", login).query(Integer.class).single() > 0;
  }

  /** Which of these accounts' owners may come in and hold any duty. */
  public Set<String> open(Set<String> logins) {
    return logins.isEmpty() ? Set.of() : jdbc.sql("""
            SELECT DISTINCT a.login FROM accounts a JOIN duties d ON d.account = a.login LEFT JOIN person_states p ON p.person = a.person AND p.live = 1
            WHERE a.login IN (:logins) AND (a.person IS NULL OR p.active)
            """)
        .param("logins", logins).query(String.class).set();
  }

  /** Notes that the owner has signed in, and returns when they last did before; null for never. */
  @Transactional
  public Instant signedIn(String login, Instant now) {
    Instant before = jdbc.sql("SELECT signed_in_at FROM accounts WHERE login = :login FOR UPDATE").param("login", login)
        .query((row, i) -> Optional.ofNullable(Instants.read(row, "signed_in_at"))).single().orElse(null);
    jdbc.sql("UPDATE accounts SET signed_in_at = :now WHERE login = :login").param("now", Instants.toDatabase(now)).param("login", login).update();
    return before;
  }

  @Transactional
  public void changeHash(String login, String hash) {
    jdbc.sql("UPDATE accounts SET password_hash = :hash WHERE login = :login").param("hash", hash).param("login", login).update();
  }

  /** Whether the account's owner holds one of these duties, and may come in. */
  public boolean holdsAny(String login, Duty... wanted) {
    Optional<RequestFacts.Facts> asking = facts.of(login);
    if (asking.isPresent()) {
      return asking.get().open() && Arrays.stream(wanted).map(Duty::word).anyMatch(asking.get().duties()::contains);
    }
    return jdbc.sql("""
            SELECT COUNT(*) FROM duties d JOIN accounts a ON a.login = d.account LEFT JOIN person_states p ON p.person = a.person AND p.live = 1
            WHERE d.account = :login AND d.duty IN (:duties) AND (a.person IS NULL OR p.active)
            """)
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
