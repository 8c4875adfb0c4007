package palegate.server.session;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import palegate.core.duties.Duty;
import palegate.core.people.Person;
import palegate.core.structure.Structure;
import palegate.core.viewpoint.Asker;
import palegate.server.shell.Problem;
import palegate.server.store.Instants;
import palegate.server.store.Snapshots;
import palegate.server.store.Transactions;

/**
 * How somebody comes by a password, or by another one: whoever administers them has an address sent to them that is good once. Nobody
 * but they ever sees a password.
 */
@Service
class Invitations {
  static final Duration GOOD_FOR = Duration.ofHours(48);

  private record Open(String person, String tokenHash) {}

  private final JdbcClient jdbc;
  private final Accounts accounts;
  private final Sessions sessions;
  private final Mailbox mailbox;
  private final Snapshots snapshots;
  private final PasswordEncoder passwords;
  private final Transactions transactions;
  private final Clock clock;

  Invitations(JdbcClient jdbc, Accounts accounts, Sessions sessions, Mailbox mailbox, Snapshots snapshots, PasswordEncoder passwords, Transactions transactions, Clock clock) {
    this.jdbc = jdbc;
    this.accounts = accounts;
    this.sessions = sessions;
    this.mailbox = mailbox;
    this.snapshots = snapshots;
    this.passwords = passwords;
    this.transactions = transactions;
    this.clock = clock;
  }

  /**
   * Sends somebody an address at which they set their password. An earlier one that they have not used is good no longer.
   *
   * @param host what the address begins with
   * @return until when it is good
   */
  Instant invite(String account, String person, String host) {
    Asker asker = accounts.asker(account);
    Structure structure = snapshots.current().snapshot().structure();
    Person invited = structure.people().get(person);
    // Somebody whom one does not administer is not there, as far as this goes.
    if (invited == null || !asker.administers(structure, invited)) {
      throw Problem.notFound("person among those whom you administer", person);
    }
    if (!invited.active() || invited.login() == null || invited.email() == null) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "not-to-be-invited", "They cannot be invited yet",
          invited.name() + (invited.active() ? " has no " + (invited.login() == null ? "login" : "e-mail address") + ". Give them one first." : " is not active. Make them active first."));
    }
    refuseWhoeverHasMore(asker, invited);
    Instant now = clock.instant();
    String token = Secrets.fresh();
    transactions.run(() -> {
      jdbc.sql("DELETE FROM invitations WHERE person = :person AND used_at IS NULL").param("person", person).update();
      jdbc.sql("INSERT INTO invitations (token_hash, person, made_by, made_at, expires_at) VALUES (:hash, :person, :by, :now, :until)").param("hash", Secrets.hash(token))
          .param("person", person).param("by", account).param("now", Instants.toDatabase(now)).param("until", Instants.toDatabase(now.plus(GOOD_FOR))).update();
      mailbox.send(invited.email(), "Your way into Pale Gate", "Set your password at " + host + "/welcome#" + token + "\nThe address is good once, for two days. If you did not expect it, do nothing.", now);
    });
    return now.plus(GOOD_FOR);
  }

  /** Whoever could have the password of somebody with a duty set anew might come by that duty. */
  private void refuseWhoeverHasMore(Asker asker, Person invited) {
    Asker theirs = Asker.of(asker.state(), invited.id());
    if (!asker.holds(Duty.SYSTEM) && !theirs.held().isEmpty()) {
      throw Problem.of(HttpStatus.FORBIDDEN, "duty-missing", "They hold a duty", "Only somebody with the duty [system] sends an address to whoever holds one.");
    }
  }

  /** Sets the password of whoever the address was sent to; every session that they had ends. */
  void redeem(String token, String password) {
    Instant now = clock.instant();
    Open open = find(token, now).orElseThrow(Invitations::noLongerGood);
    Person person = Optional.ofNullable(snapshots.current().snapshot().structure().people().get(open.person())).filter(one -> one.active() && one.login() != null).orElseThrow(Invitations::noLongerGood);
    String login = Logins.canonical(person.login());
    Passwords.refuseWeak(password, new Accounts.Account(login, person.name(), "", person.id()));
    String hash = passwords.encode(password);
    transactions.run(() -> {
      int used = jdbc.sql("UPDATE invitations SET used_at = :now WHERE token_hash = :hash AND used_at IS NULL AND expires_at > :now")
          .param("now", Instants.toDatabase(now)).param("hash", open.tokenHash()).update();
      if (used != 1) {
        throw noLongerGood();
      }
      jdbc.sql("""
              INSERT INTO accounts (login, name, password_hash, person) VALUES (:login, :name, :password, :person)
              ON DUPLICATE KEY UPDATE password_hash = IF(person = VALUES(person), VALUES(password_hash), password_hash)
              """)
          .param("login", login).param("name", person.name()).param("password", hash).param("person", person.id()).update();
      String owner = jdbc.sql("SELECT person FROM accounts WHERE login = :login").param("login", login).query((row, i) -> String.valueOf(row.getString("person"))).single();
      if (!owner.equals(person.id())) {
        throw Problem.of(HttpStatus.CONFLICT, "login-taken", "The login is somebody else's", "An account of that login belongs to another person. Ask for another login.");
      }
      sessions.endAll(login);
    });
  }

  private Optional<Open> find(String token, Instant now) {
    return jdbc.sql("SELECT person, token_hash FROM invitations WHERE token_hash = :hash AND used_at IS NULL AND expires_at > :now")
        .param("hash", Secrets.hash(token)).param("now", Instants.toDatabase(now)).query((row, i) -> new Open(row.getString("person"), row.getString("token_hash"))).optional();
  }

  private static Problem noLongerGood() {
    return Problem.of(HttpStatus.GONE, "no-longer-good", "This address is not good", "It is good once and for two days, and a newer one takes its place. Ask whoever looks after the people of your unit for another.");
  }
}
