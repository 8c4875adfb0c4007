package palegate.server.session;

import java.time.Clock;
import java.time.Instant;
import java.util.Optional;
import java.util.Set;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import palegate.core.duties.Duty;
import palegate.core.viewpoint.Asker;
import palegate.server.store.Instants;
import palegate.server.store.RequestFacts;
import palegate.server.store.Snapshots;

/** Who may sign in, and what they administer: the duties of the person to whom an account belongs, as the structure has them now. */
@Component
public class Accounts {
  /** An account; {@code person} is the id of the person it belongs to, or null. */
  public record Account(String login, String name, String passwordHash, String person) {}

  private final JdbcClient jdbc;
  private final RequestFacts facts;
  private final Snapshots snapshots;
  private final Clock clock;

  Accounts(JdbcClient jdbc, RequestFacts facts, Snapshots snapshots, Clock clock) {
    this.jdbc = jdbc;
    this.facts = facts;
    this.snapshots = snapshots;
    this.clock = clock;
  }

  public Optional<Account> find(String login) {
    Optional<RequestFacts.Facts> asking = facts.of(login);
    if (asking.isPresent()) {
      return asking.map(known -> new Account(known.login(), known.name(), known.passwordHash(), known.person()));
    }
    return jdbc.sql("SELECT login, name, password_hash, person FROM accounts WHERE login = :login")
        .param("login", login)
        .query((row, i) -> new Account(row.getString("login"), row.getString("name"), row.getString("password_hash"), row.getString("person")))
        .optional();
  }

  /** The name of an account's owner; the login where there is no such account any more. */
  public String nameOf(String login) {
    return find(login).map(Account::name).orElse(login);
  }

  /** The account's owner, with the duties that they hold in the newest state, now. */
  public Asker asker(String login) {
    return askerOf(find(login).map(Account::person).orElse(null));
  }

  private Asker askerOf(String person) {
    return Asker.of(snapshots.current().snapshot().at(clock.instant()), person);
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

  /** Which of these accounts' owners may come in. */
  public Set<String> open(Set<String> logins) {
    return logins.isEmpty() ? Set.of() : jdbc.sql("""
            SELECT a.login FROM accounts a LEFT JOIN person_states p ON p.person = a.person AND p.live = 1
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
    return asker(login).holdsAny(wanted);
  }

  @Transactional
  public void add(Account account) {
    jdbc.sql("INSERT INTO accounts (login, name, password_hash, person) VALUES (:login, :name, :hash, :person)")
        .param("login", account.login()).param("name", account.name())
        .param("hash", account.passwordHash()).param("person", account.person()).update();
  }
}
