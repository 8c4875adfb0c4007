package palegate.server.rounds;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import palegate.core.structure.Structure;
import palegate.server.jobs.RecurringJob;
import palegate.server.session.Mailbox;
import palegate.server.store.RoundRecords;
import palegate.server.store.Transactions;

/** Letters to whoever has not handed in: when somebody asks for it, some days before a round is due, and when it is overdue; these once each. */
@Component
class RoundReminders implements RecurringJob {
  private static final Logger LOG = LoggerFactory.getLogger(RoundReminders.class);

  private final Rounds rounds;
  private final RoundRecords records;
  private final Mailbox mailbox;
  private final Transactions transactions;
  private final Clock clock;

  RoundReminders(Rounds rounds, RoundRecords records, Mailbox mailbox, Transactions transactions, Clock clock) {
    this.rounds = rounds;
    this.records = records;
    this.mailbox = mailbox;
    this.transactions = transactions;
    this.clock = clock;
  }

  @Override
  public String name() {
    return "reminders-of-rounds";
  }

  @Override
  public Duration every() {
    return Duration.ofMinutes(5);
  }

  @Override
  public void run() {
    try {
      records.toRemind(clock.instant()).forEach(this::remind);
    } catch (RuntimeException failed) {
      LOG.warn("Reminders of rounds wait", failed);
    }
  }

  /** What goes wrong with one round does not keep the others waiting. */
  private void remind(RoundRecords.Reminder due) {
    try {
      send(due.round(), due.round().madeBy(), due.round().madeByName(), due.occasion());
    } catch (RuntimeException failed) {
      LOG.warn("The reminder of round {} waits", due.round().id(), failed);
    }
  }

  /** Writes to whoever still has items to decide, as far as whoever reminds may know them; to nobody else. Returns how many letters. */
  int send(RoundRecords.Round round, String account, String name) {
    return send(round, account, name, null);
  }

  private int send(RoundRecords.Round round, String account, String name, RoundRecords.Occasion occasion) {
    Structure structure = rounds.known(account).snapshot().structure();
    Map<String, Integer> open = new LinkedHashMap<>();
    Map<String, Instant> deliveries = records.deliveries(round.id());
    // A letter counts what its reader is asked about now, and says nothing of the rest.
    rounds.items(round, account).stream().filter(item -> item.reviewer() != null && !deliveries.containsKey(item.reviewer()) && rounds.mayReview(item.reviewer(), item.item(), account))
        .forEach(item -> open.merge(item.reviewer(), item.decided() == null ? 1 : 0, Integer::sum));
    open.keySet().removeIf(person -> structure.people().get(person) == null || structure.people().get(person).email() == null);
    Instant now = clock.instant();
    String overdue = occasion == RoundRecords.Occasion.OVERDUE ? "The day on which it was due has passed. " : "";
    return transactions.write(() -> {
      if (occasion != null && !records.takeReminder(round.id(), occasion, now)) {
        return 0;
      }
      mailbox.send(open.entrySet().stream().map(one -> new Mailbox.Outgoing(structure.people().get(one.getKey()).email(), "Your review: " + round.name(),
          "You are asked to review access. " + overdue + (one.getValue() == 1 ? "1 item waits" : one.getValue() + " items wait") + " for your decision. Sign in and open Reviews.")).toList(), now);
      if (occasion == null || !open.isEmpty()) {
        records.tell(round.id(), account, name, "reminded " + open.size() + (open.size() == 1 ? " reviewer" : " reviewers") + (occasion == null ? "" : occasion == RoundRecords.Occasion.OVERDUE ? ", by itself, as it is overdue" : ", by itself"), now);
      }
      return open.size();
    });
  }
}
