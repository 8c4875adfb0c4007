package palegate.server.updates;

import java.io.IOException;
import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import palegate.server.session.SignedOut;
import palegate.server.store.StructureStore;

/**
 * The pages that are told of changes. One reading of the newest change serves all of them. A stream ends by itself after some
 * minutes and is opened again, so that whoever may no longer come in is told nothing more; all that it ever says is a number.
 */
@Component
class Streams {
  /** A browser opens six connections to one address at most: its other tabs and its questions need the rest. */
  static final int A_SESSION_AT_MOST = 3;
  private static final int AT_MOST = 4_000;
  private static final Duration LASTS = Duration.ofMinutes(5);
  private static final int QUIET_TICKS_AT_MOST = 20;

  private final StructureStore structures;
  private final Map<String, Set<SseEmitter>> open = new ConcurrentHashMap<>();
  private long told = -1;
  private int quiet;
  private volatile boolean closing;

  Streams(StructureStore structures) {
    this.structures = structures;
  }

  /** A stream for a session; empty if it has as many as it may, or all together have. */
  Optional<SseEmitter> open(String session) {
    SseEmitter stream = new SseEmitter(LASTS.toMillis());
    boolean[] taken = {false};
    open.compute(session, (key, known) -> {
      Set<SseEmitter> streams = known == null ? ConcurrentHashMap.newKeySet() : known;
      if (!closing && streams.size() < A_SESSION_AT_MOST && open.size() < AT_MOST) {
        taken[0] = streams.add(stream);
      }
      return streams.isEmpty() ? null : streams;
    });
    if (!taken[0]) {
      return Optional.empty();
    }
    stream.onCompletion(() -> forget(session, stream));
    stream.onTimeout(stream::complete);
    stream.onError(failed -> forget(session, stream));
    // Something has to be sent at once, or the page does not learn that it is listened to.
    send(session, stream, SseEmitter.event().name("change").data(Long.toString(structures.head())));
    return Optional.of(stream);
  }

  /** Whoever signs out is told nothing more. */
  @EventListener
  void signedOut(SignedOut who) {
    end(who.session());
  }

  private void end(String session) {
    Set<SseEmitter> streams = open.remove(session);
    if (streams != null) {
      streams.forEach(SseEmitter::complete);
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
        toAll(() -> SseEmitter.event().name("change").data(Long.toString(head)));
      } else if (quiet % QUIET_TICKS_AT_MOST == 0) {
        // Finds out which pages are gone.
        toAll(() -> SseEmitter.event().comment(""));
      }
    } catch (DataAccessException | TransactionException outage) {
      endAll();
    }
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
    open.forEach((session, streams) -> streams.forEach(stream -> send(session, stream, event.make())));
  }

  private void send(String session, SseEmitter stream, SseEmitter.SseEventBuilder event) {
    try {
      stream.send(event);
    } catch (IOException | IllegalStateException gone) {
      forget(session, stream);
    }
  }

  private void forget(String session, SseEmitter stream) {
    open.computeIfPresent(session, (key, streams) -> {
      streams.remove(stream);
      return streams.isEmpty() ? null : streams;
    });
  }
}
