package palegate.server.statements;

import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import palegate.core.people.Person;
import palegate.core.statements.Recipe;
import palegate.core.statements.Rhythm;
import palegate.server.session.Accounts;
import palegate.server.session.Mailbox;
import palegate.server.store.PreparedFileRecords;
import palegate.server.store.RegularStatementRecords;
import palegate.server.store.Snapshots;
import palegate.server.store.Transactions;

/** Asks for the files of statements that come by themselves, and tells their owners. What was missed while nothing ran is made once. */
@Component
class RegularStatements {
  private static final Logger LOG = LoggerFactory.getLogger(RegularStatements.class);
  private static final int ANY_NUMBER = Integer.MAX_VALUE;
  private static final int KEPT_AT_MOST = 13;

  private final RegularStatementRecords records;
  private final PreparedFileRecords files;
  private final Snapshots snapshots;
  private final Accounts accounts;
  private final Mailbox mailbox;
  private final Transactions transactions;

  RegularStatements(RegularStatementRecords records, PreparedFileRecords files, Snapshots snapshots, Accounts accounts, Mailbox mailbox, Transactions transactions) {
    this.records = records;
    this.files = files;
    this.snapshots = snapshots;
    this.accounts = accounts;
    this.mailbox = mailbox;
    this.transactions = transactions;
  }

  /** One that cannot be asked for does not keep the others waiting. */
  void askForDue(Instant now) {
    for (RegularStatementRecords.Regular one : records.due(now)) {
      try {
        Recipe recipe = Recipe.parse(one.recipe()).recipe();
        // One that cannot be read any more is asked for as it is: its file says so.
        Recipe asked = recipe != null && recipe.kind().isOfPeriod() ? recipe.since(files.lastOf(one.id()).map(PreparedFileRecords.Prepared::at).orElse(now.minus(stretch(one)))) : recipe;
        String text = asked == null ? one.recipe() : asked.text();
        long change = snapshots.current().change();
        files.keepNewest(one.id(), KEPT_AT_MOST);
        transactions.run(() -> {
          if (records.advance(one, one.rhythm().next(now))) {
            files.ask(one.account(), one.id(), text, one.format(), now, change, now, ANY_NUMBER, ANY_NUMBER);
          }
        });
      } catch (IllegalArgumentException | IllegalStateException unreadable) {
        LOG.error("The regular statement {} cannot be asked for", one.id(), unreadable);
        records.advance(one, one.rhythm().next(now));
      }
    }
  }

  private static Duration stretch(RegularStatementRecords.Regular one) {
    return Duration.ofDays(one.rhythm().every() == Rhythm.Every.WEEK ? 7 : 31);
  }

  boolean onlyIfChanged(long id) {
    return records.find(id).map(RegularStatementRecords.Regular::onlyIfChanged).orElse(false);
  }

  /** Letters pass through other hands: they say that there is something, not what it says. */
  void sayReady(PreparedFileRecords.Prepared file, Instant now) {
    tell(file, "Your regular statement was made. Sign in and open Statements: it is among your prepared files, for three months.", now);
  }

  void sayFailed(PreparedFileRecords.Prepared file, String why, Instant now) {
    tell(file, "Your regular statement could not be made. " + why, now);
  }

  private void tell(PreparedFileRecords.Prepared file, String text, Instant now) {
    Optional<RegularStatementRecords.Regular> regular = records.find(file.regular());
    Optional<String> to = accounts.find(file.account()).map(Accounts.Account::person).map(person -> snapshots.current().snapshot().structure().people().get(person)).map(Person::email);
    if (regular.isPresent() && to.isPresent()) {
      mailbox.send(to.get(), regular.get().name(), text, now);
    }
  }
}
