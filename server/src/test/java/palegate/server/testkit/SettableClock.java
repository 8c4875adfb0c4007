package palegate.server.testkit;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.concurrent.atomic.AtomicReference;

/** A clock that tests set. */
public final class SettableClock extends Clock {
  private final AtomicReference<Instant> now;

  public SettableClock(Instant now) {
    this.now = new AtomicReference<>(now);
  }

  public void goOn(Duration by) {
    now.updateAndGet(instant -> instant.plus(by));
  }

  public void set(Instant instant) {
    now.set(instant);
  }

  @Override
  public Instant instant() {
    return now.get();
  }

  @Override
  public ZoneId getZone() {
    return ZoneOffset.UTC;
  }

  @Override
  public Clock withZone(ZoneId zone) {
    return this;
  }
}
