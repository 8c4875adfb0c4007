package palegate.server.session;

import jakarta.servlet.DispatcherType;
import jakarta.servlet.Filter;
import java.time.Duration;
import java.time.Instant;
import java.util.EnumSet;
import java.util.Set;
import org.springframework.boot.web.servlet.FilterRegistrationBean;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Primary;
import org.springframework.context.annotation.Profile;
import org.springframework.session.Session;
import org.springframework.session.SessionRepository;
import org.springframework.session.jdbc.JdbcIndexedSessionRepository;
import org.springframework.session.jdbc.config.annotation.web.http.EnableJdbcHttpSession;
import org.springframework.session.web.http.SessionRepositoryFilter;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionCallback;
import org.springframework.transaction.support.TransactionOperations;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Sessions that a question reads in one statement and does not write: when one was last used is noted once a minute, which
 * is as exact as ending after eight idle hours has to be.
 */
@Configuration
@Profile("!describe")
@EnableJdbcHttpSession(maxInactiveIntervalInSeconds = QuietSessions.IDLE_HOURS * 3600)
class QuietSessions {
  static final int IDLE_HOURS = 8;
  static final Duration NOTED_EVERY = Duration.ofMinutes(1);

  /** Reading a session is one statement and needs no transaction; writing one is several and gets it. */
  @Bean("springSessionTransactionOperations")
  SessionTransactions sessionTransactions(PlatformTransactionManager manager) {
    return new SessionTransactions(manager);
  }

  @Bean
  @Primary
  Repository sessionsWrittenWhenTheyChange(JdbcIndexedSessionRepository sessions, SessionTransactions transactions) {
    return new Repository(sessions, transactions);
  }

  /**
   * Around Spring Session's filter, which asks for the same session again when it has saved it. What is kept for that must not outlive
   * the request: the thread goes on to others, and the session may be ended meanwhile. The order is said here, since that of a method
   * which makes a filter is not heeded.
   */
  @Bean
  FilterRegistrationBean<Filter> oneReadingOfASession(Repository sessions) {
    FilterRegistrationBean<Filter> around = new FilterRegistrationBean<>((request, response, chain) -> {
      sessions.saved.remove();
      try {
        chain.doFilter(request, response);
      } finally {
        sessions.saved.remove();
      }
    });
    around.setOrder(SessionRepositoryFilter.DEFAULT_ORDER - 1);
    around.setDispatcherTypes(EnumSet.allOf(DispatcherType.class));
    around.setAsyncSupported(true);
    return around;
  }

  static final class SessionTransactions implements TransactionOperations {
    private final TransactionTemplate template;
    private final ThreadLocal<Boolean> writing = ThreadLocal.withInitial(() -> false);

    SessionTransactions(PlatformTransactionManager manager) {
      template = new TransactionTemplate(manager);
      template.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    }

    void write(Runnable work) {
      writing.set(true);
      try {
        work.run();
      } finally {
        writing.remove();
      }
    }

    @Override
    public <T> T execute(TransactionCallback<T> action) {
      return writing.get() ? template.execute(action) : TransactionOperations.withoutTransaction().execute(action);
    }
  }

  static final class Repository implements SessionRepository<Quiet> {
    private final SessionRepository<? extends Session> kept;
    private final SessionTransactions transactions;
    /** What this request has saved, until it is asked for again or ends. */
    private final ThreadLocal<Quiet> saved = new ThreadLocal<>();

    Repository(SessionRepository<? extends Session> kept, SessionTransactions transactions) {
      this.kept = kept;
      this.transactions = transactions;
    }

    @Override
    public Quiet createSession() {
      return new Quiet(kept.createSession(), true);
    }

    @Override
    public void save(Quiet session) {
      if (session.changed) {
        transactions.write(() -> save(kept, session));
        session.changed = false;
      }
      saved.set(session);
    }

    @SuppressWarnings("unchecked") // the session has come from this very repository
    private static <S extends Session> void save(SessionRepository<S> kept, Quiet session) {
      kept.save((S) session.kept);
    }

    @Override
    public Quiet findById(String id) {
      Quiet known = saved.get();
      saved.remove();
      if (known != null && known.getId().equals(id)) {
        return known;
      }
      Session found = kept.findById(id);
      return found == null ? null : new Quiet(found, false);
    }

    @Override
    public void deleteById(String id) {
      saved.remove();
      transactions.write(() -> kept.deleteById(id));
    }
  }

  /** A session that knows whether there is anything to write. */
  static final class Quiet implements Session {
    private final Session kept;
    private boolean changed;

    private Quiet(Session kept, boolean changed) {
      this.kept = kept;
      this.changed = changed;
    }

    @Override
    public void setLastAccessedTime(Instant now) {
      if (kept.getLastAccessedTime().plus(NOTED_EVERY).isBefore(now)) {
        kept.setLastAccessedTime(now);
        changed = true;
      }
    }

    @Override
    public String getId() {
      return kept.getId();
    }

    @Override
    public String changeSessionId() {
      changed = true;
      return kept.changeSessionId();
    }

    @Override
    public <T> T getAttribute(String name) {
      return kept.getAttribute(name);
    }

    @Override
    public Set<String> getAttributeNames() {
      return kept.getAttributeNames();
    }

    @Override
    public void setAttribute(String name, Object value) {
      changed = true;
      kept.setAttribute(name, value);
    }

    @Override
    public void removeAttribute(String name) {
      changed = true;
      kept.removeAttribute(name);
    }

    @Override
    public Instant getCreationTime() {
      return kept.getCreationTime();
    }

    @Override
    public Instant getLastAccessedTime() {
      return kept.getLastAccessedTime();
    }

    @Override
    public void setMaxInactiveInterval(Duration interval) {
      changed = true;
      kept.setMaxInactiveInterval(interval);
    }

    @Override
    public Duration getMaxInactiveInterval() {
      return kept.getMaxInactiveInterval();
    }

    @Override
    public boolean isExpired() {
      return kept.isExpired();
    }
  }
}
