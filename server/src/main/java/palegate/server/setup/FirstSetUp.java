package palegate.server.setup;

import java.time.Clock;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.context.annotation.Profile;
import org.springframework.core.annotation.Order;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.support.TransactionTemplate;
import palegate.core.access.Grant;
import palegate.core.duties.Duty;
import palegate.core.duties.DutyAssignment;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;
import palegate.core.roles.Rights;
import palegate.core.roles.Role;
import palegate.core.structure.Structure;
import palegate.server.bundle.Bundles;
import palegate.server.session.Accounts;
import palegate.server.store.StructureStore;

/**
 * An empty database gets a repository, a role with all rights, and an administrator who holds it and all duties, and signs in with the
 * password that was given from outside: without them nobody could begin.
 */
@Component
@Profile("!describe")
@ConditionalOnProperty(name = "palegate.demo", havingValue = "false", matchIfMissing = true)
@Order(0)
class FirstSetUp implements ApplicationRunner {
  static final String LOGIN = "administrator";
  private static final Logger LOG = LoggerFactory.getLogger(FirstSetUp.class);

  private final StructureStore store;
  private final Bundles bundles;
  private final Accounts accounts;
  private final PasswordEncoder passwords;
  private final TransactionTemplate transaction;
  private final Clock clock;
  private final String password;

  FirstSetUp(StructureStore store, Bundles bundles, Accounts accounts, PasswordEncoder passwords, PlatformTransactionManager transactions, Clock clock,
      @Value("${PALEGATE_FIRST_PASSWORD:}") String password) {
    this.store = store;
    this.bundles = bundles;
    this.accounts = accounts;
    this.passwords = passwords;
    this.transaction = new TransactionTemplate(transactions);
    this.clock = clock;
    this.password = password;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    transaction.executeWithoutResult(status -> {
      if (store.head() == 0 && password.isEmpty()) {
        LOG.warn("The repository is empty and nobody can sign in: set PALEGATE_FIRST_PASSWORD and start again");
      } else if (store.head() == 0) {
        setUp();
      }
    });
  }

  private void setUp() {
    Person administrator = new Person("p-administrator", "Administrator", LOGIN, null, false, true, null);
    Role keeper = new Role("r-keeper", "Keeper", Rights.ALL);
    Place repository = Place.plain("root", PlaceKind.REPOSITORY, null, "Repository", true, Map.of(), null, null, null);
    Grant governs = new Grant("e-first", "root", new Subject.OfPerson(administrator.id()), keeper.id(), Set.of(), Period.ALWAYS, "So that somebody governs");
    Structure structure = Structure.of(List.of(), List.of(administrator), List.of(), List.of(keeper), List.of(), List.of(repository), List.of(governs), List.of())
        .administeredBy(Arrays.stream(Duty.values()).map(duty -> new DutyAssignment("du-" + duty.word(), new Subject.OfPerson(administrator.id()), duty,
            duty.scope() == Duty.ScopeKind.PLACE ? repository.id() : null, null, null, Period.ALWAYS)).toList());
    bundles.bringIn(structure, "set-up", "Set-up", "An empty repository, and who governs it.", clock.instant());
    accounts.add(new Accounts.Account(LOGIN, administrator.name(), passwords.encode(password), administrator.id()));
  }
}
