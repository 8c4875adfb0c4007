package palegate.server.demo;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.annotation.Order;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import palegate.core.changes.ChangeJson;
import palegate.core.changes.DraftApplication;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;
import palegate.core.structure.StructureDifference;
import palegate.demo.Sallowpoint;
import palegate.demo.Structures;
import palegate.demo.Writing;
import palegate.server.bundle.Bundles;
import palegate.server.session.Accounts;
import palegate.server.store.ChangeLog;
import palegate.server.store.Contents;
import palegate.server.store.StructureStore;

/** Fills an empty database with the demo: the structure, two years of changes, and the sign-ins. */
@Component
@ConditionalOnProperty(name = "palegate.demo", havingValue = "true")
@Order(0)
class DemoSetUp implements ApplicationRunner {
  /** Printed by the start command and shown on the sign-in page; the demo holds nothing that is real. */
  private static final String PASSWORD = "pale-gate-demo";
  private static final Logger LOG = LoggerFactory.getLogger(DemoSetUp.class);

  private final StructureStore store;
  private final ChangeLog log;
  private final Bundles bundles;
  private final Accounts accounts;
  private final PasswordEncoder passwords;
  private final TransactionTemplate transaction;
  private final Clock clock;
  private final Contents contents;
  private final String size;

  DemoSetUp(StructureStore store, ChangeLog log, Bundles bundles, Accounts accounts, PasswordEncoder passwords,
      PlatformTransactionManager transactions, Contents contents, Clock clock, @Value("${palegate.demo-size:demo}") String size) {
    this.store = store;
    this.log = log;
    this.bundles = bundles;
    this.accounts = accounts;
    this.passwords = passwords;
    this.transaction = new TransactionTemplate(transactions);
    this.clock = clock;
    this.contents = contents;
    this.size = size;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    transaction.executeWithoutResult(status -> {
      if (store.head() == 0 && size.equals("large")) {
        setUpLarge(clock.instant());
        LOG.info("The large structure is set up");
      } else if (store.head() == 0) {
        setUp(clock.instant());
        LOG.info("The demo is set up");
      }
    });
  }

  /** A million documents, for load: the same sign-ins, for people of that structure. */
  private void setUpLarge(Instant now) {
    LOG.info("Writing the large structure, which takes some minutes");
    Structure structure = Structures.of(Structures.Size.L);
    List<String> people = structure.people().values().stream().filter(Person::active).map(Person::id).sorted().toList();
    bundles.bringIn(structure.administeredBy(Sallowpoint.dutiesFor(people, structure.repository().orElseThrow().id())), "set-up", "Set-up", "A large structure, for load.",
        now.minus(Duration.ofDays(1)));
    int index = 0;
    for (Sallowpoint.SignIn signIn : Sallowpoint.signIns()) {
      accounts.add(new Accounts.Account(signIn.login(), signIn.login(), passwords.encode(PASSWORD), people.get(index++)));
    }
  }

  /** With all of its two years, or, as {@code small}, with the few changes that tell a story and empty papers: tests begin with that. */
  private void setUp(Instant now) {
    boolean whole = !size.equals("small");
    Structure structure = Sallowpoint.structure(now);
    bundles.bringIn(structure, "set-up", "Set-up", "Sallowpoint Adjusting as it was two years ago.", now.minus(Duration.ofDays(730)));
    for (Sallowpoint.SignIn signIn : Sallowpoint.signIns()) {
      accounts.add(new Accounts.Account(signIn.login(), structure.people().get(signIn.person()).name(),
          passwords.encode(PASSWORD), signIn.person()));
    }
    Map<String, String> names = new HashMap<>();
    for (Sallowpoint.SignIn signIn : Sallowpoint.signIns()) {
      names.put(signIn.login(), structure.people().get(signIn.person()).name());
    }
    Snapshot state = Snapshot.of(structure);
    for (Sallowpoint.PastChange past : whole ? Sallowpoint.wholeHistory(now) : Sallowpoint.history(now)) {
      StructureDifference altered = DraftApplication.of(state, past.changes(), past.at()).difference();
      long number = log.takeNextNumber();
      String author = names.get(past.author());
      log.write(new ChangeLog.Logged(number, past.author(), author, past.at(), past.note(), "draft"), ChangeJson.written(past.changes()), altered.things());
      store.write(altered, number);
      state = state.next(altered);
    }
    if (whole) {
      write(state, now);
    }
  }

  /** Puts something into every document, by whoever looks after the repository, on a day of the past year. */
  private void write(Snapshot state, Instant now) {
    List<Contents.Written> written = new ArrayList<>();
    state.structure().places().values().stream().filter(Place::isDocument).forEach(document -> {
      int original = state.placeNumber(Writing.original(document.id()));
      List<String> lines = Writing.of(state.place(original), state.pathText(state.parent(original)));
      Instant at = now.minus(Duration.ofHours(24 + Math.floorMod(document.id().hashCode(), 8_000)));
      written.add(new Contents.Written(document.id(), "application/pdf", PlainPdf.of(lines), String.join("\n", lines), "wenna.carrow", at));
    });
    contents.putAll(written);
  }
}
