package palegate.server.store;

import jakarta.servlet.http.HttpServletRequest;
import java.util.Optional;
import java.util.function.Supplier;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.web.context.request.RequestAttributes;
import org.springframework.web.context.request.RequestContextHolder;
import org.springframework.web.context.request.ServletRequestAttributes;

/**
 * What nearly every question starts from – the newest change, who asks, whether they have a draft in hand –
 * read in one statement and kept for as long as the question takes. Only for requests that ask: one that writes must see
 * what is there when it writes.
 */
@Component
public class RequestFacts {
  /**
   * @param head the newest change
   * @param person the id of the person the account belongs to, or null
   * @param open whether the account's owner may come in
   */
  public record Facts(long head, String login, String name, String passwordHash, String person, boolean open, boolean hasDraft) {}

  private static final String KEPT = RequestFacts.class.getName();
  private static final String STATE = RequestFacts.class.getName() + ".state";

  private final JdbcClient jdbc;

  RequestFacts(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  /** Of the account that asks; empty outside a question, and for any other account than the one it was first asked for. */
  public Optional<Facts> of(String login) {
    RequestAttributes request = question();
    if (request == null) {
      return Optional.empty();
    }
    Facts known = kept(request);
    if (known == null) {
      known = read(login).orElse(null);
      if (known != null) {
        request.setAttribute(KEPT, known, RequestAttributes.SCOPE_REQUEST);
      }
    }
    return Optional.ofNullable(known).filter(facts -> facts.login().equals(login));
  }

  /** The newest change as this question has found it; null if it has not been read yet. */
  Long head() {
    RequestAttributes request = question();
    Facts known = request == null ? null : kept(request);
    return known == null ? null : known.head();
  }

  /** The state that all of this question's answer is about, whatever is put in force meanwhile: the one it was first given. */
  Snapshots.Numbered state(Supplier<Snapshots.Numbered> newest) {
    RequestAttributes request = question();
    if (request == null) {
      return newest.get();
    }
    Snapshots.Numbered known = (Snapshots.Numbered) request.getAttribute(STATE, RequestAttributes.SCOPE_REQUEST);
    if (known == null) {
      known = newest.get();
      request.setAttribute(STATE, known, RequestAttributes.SCOPE_REQUEST);
    }
    return known;
  }

  /** Forgets what this question has read so far: it has waited for something newer. */
  public void forget() {
    RequestAttributes request = question();
    if (request != null) {
      request.removeAttribute(KEPT, RequestAttributes.SCOPE_REQUEST);
      request.removeAttribute(STATE, RequestAttributes.SCOPE_REQUEST);
    }
  }

  private static RequestAttributes question() {
    return RequestContextHolder.getRequestAttributes() instanceof ServletRequestAttributes attributes && asks(attributes.getRequest()) ? attributes : null;
  }

  private static boolean asks(HttpServletRequest request) {
    return "GET".equals(request.getMethod());
  }

  private static Facts kept(RequestAttributes request) {
    return (Facts) request.getAttribute(KEPT, RequestAttributes.SCOPE_REQUEST);
  }

  private Optional<Facts> read(String login) {
    return jdbc.sql("""
            SELECT (SELECT number FROM head WHERE id = 1) AS head, a.login, a.name, a.password_hash, a.person,
              a.person IS NULL OR COALESCE(p.active, 0) AS open,
              EXISTS (SELECT 1 FROM drafts f WHERE f.owner = a.login AND f.in_hand = 1) AS has_draft
            FROM accounts a LEFT JOIN person_states p ON p.person = a.person AND p.live = 1
            WHERE a.login = :login
            """)
        .param("login", login)
        .query((row, i) -> new Facts(row.getLong("head"), row.getString("login"), row.getString("name"), row.getString("password_hash"),
            row.getString("person"), row.getBoolean("open"), row.getBoolean("has_draft")))
        .optional();
  }
}
