package palegate.server.session;

import java.time.Instant;
import java.util.Collection;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.server.store.Batches;
import palegate.server.store.Instants;

/** Stands in for a mail server: keeps what would have been sent, for whoever sets the system up to look at. */
@Component
public class Mailbox {
  record Letter(long id, String to, String subject, String text, Instant sentAt) {}

  /** A letter that is still to be sent. */
  public record Outgoing(String to, String subject, String text) {}

  private final JdbcClient jdbc;
  private final Batches batches;

  Mailbox(JdbcClient jdbc, Batches batches) {
    this.jdbc = jdbc;
    this.batches = batches;
  }

  public void send(String to, String subject, String text, Instant now) {
    send(List.of(new Outgoing(to, subject, text)), now);
  }

  /** Sends them all with one statement. */
  public void send(Collection<Outgoing> letters, Instant now) {
    batches.insert("INSERT INTO mailbox (address, subject, text, sent_at) VALUES (?, ?, ?, ?)", letters,
        letter -> new Object[] {letter.to(), letter.subject(), letter.text(), Instants.toDatabase(now)});
  }

  List<Letter> newest(int atMost) {
    return jdbc.sql("SELECT id, address, subject, text, sent_at FROM mailbox ORDER BY id DESC LIMIT :most").param("most", atMost)
        .query((row, i) -> new Letter(row.getLong("id"), row.getString("address"), row.getString("subject"), row.getString("text"), Instants.read(row, "sent_at"))).list();
  }
}
