package palegate.server.session;

import java.time.Instant;
import java.util.List;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import palegate.server.store.Instants;

/** Stands in for a mail server: keeps what would have been sent, for whoever sets the system up to look at. */
@Component
public class Mailbox {
  record Letter(long id, String to, String subject, String text, Instant sentAt) {}

  private final JdbcClient jdbc;

  Mailbox(JdbcClient jdbc) {
    this.jdbc = jdbc;
  }

  public void send(String to, String subject, String text, Instant now) {
    jdbc.sql("INSERT INTO mailbox (address, subject, text, sent_at) VALUES (:to, :subject, :text, :now)")
        .param("to", to).param("subject", subject).param("text", text).param("now", Instants.toDatabase(now)).update();
  }

  List<Letter> newest(int atMost) {
    return jdbc.sql("SELECT id, address, subject, text, sent_at FROM mailbox ORDER BY id DESC LIMIT :most").param("most", atMost)
        .query((row, i) -> new Letter(row.getLong("id"), row.getString("address"), row.getString("subject"), row.getString("text"), Instants.read(row, "sent_at"))).list();
  }
}
