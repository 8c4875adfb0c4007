package palegate.server.store;

import java.time.Clock;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** Reads and compiles the structure before the first request comes: whoever signs in first waits no longer than the next. */
@Component
@Profile("!describe") // there is no database then
@Order(Ordered.LOWEST_PRECEDENCE)
class ReadAhead implements ApplicationRunner {
  private final Snapshots snapshots;
  private final Clock clock;

  ReadAhead(Snapshots snapshots, Clock clock) {
    this.snapshots = snapshots;
    this.clock = clock;
  }

  @Override
  public void run(ApplicationArguments arguments) {
    snapshots.current().snapshot().at(clock.instant());
  }
}
