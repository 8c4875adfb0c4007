package palegate.server.updates;

import java.io.IOException;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import palegate.server.session.Accounts;
import palegate.server.session.SignedOut;
import palegate.server.store.StructureStore;

/**
 * The pages that are told of changes. One reading of the newest change serves all of them. All that a stream ever says is a
 * number; it ends when its listener signs out or may no longer come in, and after some minutes, when the page opens another.
 */
@Component
class Streams {
  /** A browser opens six connections to one address at most: its other tabs and its questions need the rest. */
  static final int A_SESSION_AT_MOST = 3;
  /** With all their streams a quarter of the connections that the server takes. */
  private static final int SESSIONS_AT_MOST = 1_000;
  private static final Duration LASTS = Duration.ofMinutes(5);
  private static final int QUIET_TICKS_AT_MOST = 20;

  private record Listening(String login, Set<SseEmitter> streams) {}

  private final StructureStore structures;
  private final Accounts accounts;
  private final Map<String, Listening> open = new ConcurrentHashMap<>();
  private long told = -1;
  private int quiet;
  private volatile boolean closing;

  Streams(StructureStore structures, Accounts accounts) {
    this.structures = structures;
    this.accounts = accounts;
  }

  /** A stream for a session; empty if it has as many as it may, or all together have. */
  Optional<SseEmitter> open(String session, String login) {
    long head = structures.head();
    SseEmitter stream = new SseEmitter(LASTS.toMillis());
    stream.onCompletion(() -> forget(session, stream));
    stream.onTimeout(stream::complete);
    stream.onError(failed -> forget(session, stream));
    boolean[] taken = {false};
    open.compute(session, (key, known) -> {
      Listening listening = known == null ? new Listening(login, ConcurrentHashMap.newKeySet()) : known;
      if (!closing && listening.streams().size() < A_SESSION_AT_MOST && (known != null || open.size() < SESSIONS_AT_MOST)) {
        taken[0] = listening.streams().add(stream);
      }
      return listening.streams().isEmpty() ? null : listening;
    });
    if (!taken[0]) {
      return Optional.empty();
    }
    // Something has to be sent at once, or the page does not learn that it is listened to.
    send(session, stream, SseEmitter.event().name("change").data(Long.toString(head)));
    return Optional.of(stream);
  }

  /** Whoever signs out is told nothing more. */
  @EventListener
  void signedOut(SignedOut who) {
    end(who.session());
  }

  private void end(String session) {
    Listening listening = open.remove(session);
    if (listening != null) {
      listening.streams().forEach(SseEmitter::complete);
    }
  }

  @Scheduled(fixedDelayString = "${palegate.updates-every:PT1S}")
  void tell() {
    if (open.isEmpty()) {
      return;
    }
    try {
      long head = structures.head();
      boolean news = head != told;
      quiet = news ? 0 : quiet + 1;
      if (news) {
        told = head;
        endThoseWhoMayNotComeIn();
        toAll(() -> SseEmitter.event().name("change").data(Long.toString(head)));
      } else if (quiet % QUIET_TICKS_AT_MOST == 0) {
        // Finds out which pages are gone.
        toAll(() -> SseEmitter.event().comment(""));
      }
    } catch (DataAccessException | TransactionException outage) {
      endAll();
    }
  }

  /** A change may have made somebody inactive, a duty may have been taken away: they are told nothing more. */
  private void endThoseWhoMayNotComeIn() {
    Set<String> in = accounts.open(open.values().stream().map(Listening::login).collect(Collectors.toSet()));
    open.forEach((session, listening) -> {
      if (!in.contains(listening.login())) {
        end(session);
      }
    });
  }

  /** Before the application waits for the requests that are under way: these would never end. */
  @EventListener(ContextClosedEvent.class)
  void close() {
    closing = true;
    endAll();
  }

  /** A page whose stream ends asks by itself, and is told what is wrong. */
  private void endAll() {
    open.keySet().forEach(this::end);
  }

  private interface Event {
    SseEmitter.SseEventBuilder make();
  }

  private void toAll(Event event) {
    open.forEach((session, listening) -> listening.streams().forEach(stream -> send(session, stream, event.make())));
  }

  private void send(String session, SseEmitter stream, SseEmitter.SseEventBuilder event) {
    try {
      stream.send(event);
    } catch (IOException | IllegalStateException gone) {
      forget(session, stream);
    }
  }

  private void forget(String session, SseEmitter stream) {
    open.computeIfPresent(session, (key, listening) -> {
      listening.streams().remove(stream);
      return listening.streams().isEmpty() ? null : listening;
    });
  }
}
