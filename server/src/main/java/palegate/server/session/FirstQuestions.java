package palegate.server.session;

import java.io.OutputStream;
import java.util.List;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Profile;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import palegate.server.store.Snapshots;
import tools.jackson.databind.json.JsonMapper;

/**
 * After a start, of a large repository: those who were signed in before find their first rooms as quick as they left them. Whoever asks
 * meanwhile waits for the same and no longer.
 */
@Component
@Profile("!describe")
class FirstQuestions {
  private static final Logger LOG = LoggerFactory.getLogger(FirstQuestions.class);
  /** Of fewer places nobody waits. */
  private static final int PLACES = 50_000;
  /** Each takes some ten seconds of a processor. */
  private static final int ACCOUNTS = 2;
  /** What is seldom run is slow; after so many times it is not. */
  private static final int WRITTEN = 20;

  private final Snapshots snapshots;
  private final Sessions sessions;
  private final Accounts accounts;
  private final List<MadeReady> rooms;
  private final JsonMapper json;

  FirstQuestions(Snapshots snapshots, Sessions sessions, Accounts accounts, List<MadeReady> rooms, JsonMapper json) {
    this.snapshots = snapshots;
    this.sessions = sessions;
    this.accounts = accounts;
    this.rooms = rooms;
    this.json = json;
  }

  List<MadeReady> rooms() {
    return rooms;
  }

  @EventListener(ApplicationReadyEvent.class)
  void begin() {
    Thread beside = new Thread(this::makeReady, "first-questions");
    beside.setDaemon(true);
    beside.start();
  }

  private void makeReady() {
    try {
      if (snapshots.current().snapshot().placeCount() >= PLACES) {
        sessions.newest(ACCOUNTS).stream().filter(accounts::isOpen).forEach(this::makeReady);
      }
    } catch (RuntimeException notNow) {
      LOG.warn("Nothing was made ready: {}", notNow.getMessage());
    }
  }

  /** What cannot be made ready is worked out, or refused, when somebody asks for it. */
  void makeReady(String account) {
    Rooms.of(accounts.asker(account), false).forEach(theirs -> rooms.stream().filter(room -> room.room().equals(theirs)).forEach(room -> {
      try {
        room.makeReady(account).forEach(this::write);
      } catch (RuntimeException failed) {
        LOG.warn("The room {} could not be made ready", theirs, failed);
      }
    }));
  }

  private void write(Object answer) {
    for (int i = 0; i < WRITTEN; i++) {
      json.writeValue(OutputStream.nullOutputStream(), answer);
    }
  }
}
