package palegate.server.jobs;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import javax.sql.DataSource;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;

/** Two instances on one database: what recurs is done by one of them at a time, what waits is done once, and one bad piece keeps nothing waiting. */
@ExtendWith(InDemo.class)
class JobsTest {
  private static final Duration AT_MOST = Duration.ofSeconds(30);

  private record Again(String name, Duration every, Runnable work) implements RecurringJob {
    @Override
    public void run() {
      work.run();
    }
  }

  private static void until(String what, BooleanSupplier done) {
    Instant end = Instant.now().plus(AT_MOST);
    while (!done.getAsBoolean()) {
      assertThat(Instant.now()).as(what).isBefore(end);
      LockSupport.parkNanos(Duration.ofMillis(20).toNanos());
    }
  }

  @Test
  void what_recurs_is_never_done_by_two_at_once_and_goes_on_after_it_failed(TestApplication app) {
    AtomicInteger inside = new AtomicInteger();
    AtomicInteger most = new AtomicInteger();
    AtomicInteger times = new AtomicInteger();
    RecurringJob job = new Again("test-recurring", Duration.ofMillis(1), () -> {
      most.accumulateAndGet(inside.incrementAndGet(), Math::max);
      LockSupport.parkNanos(Duration.ofMillis(300).toNanos());
      inside.decrementAndGet();
      if (times.incrementAndGet() == 1) {
        throw new IllegalStateException("The first time it goes wrong.");
      }
    });
    Jobs one = new Jobs(app.bean(DataSource.class), List.of(job), List.of());
    Jobs other = new Jobs(app.bean(DataSource.class), List.of(job), List.of());
    try {
      one.start();
      other.start();
      until("several times", () -> times.get() >= 4);
    } finally {
      one.stop();
      other.stop();
      app.database().asOwner().sql("DELETE FROM recurring_jobs WHERE task_name = 'test-recurring'").update();
    }
    assertThat(most.get()).isEqualTo(1);
    assertThat(app.database().asOwner().sql("SELECT COUNT(*) FROM recurring_jobs WHERE task_name = 'due-drafts'").query(Integer.class).single()).as("what others do is left to them").isEqualTo(1);
  }

  @Test
  void each_piece_is_done_once_however_often_it_is_asked_for_and_again_only_if_it_says_so(TestApplication app) {
    Map<String, AtomicInteger> done = new ConcurrentHashMap<>();
    List<String> order = new CopyOnWriteArrayList<>();
    QueuedJob job = new QueuedJob() {
      @Override
      public String name() {
        return "test-pieces";
      }

      @Override
      public Optional<Duration> run(String piece) {
        order.add(piece);
        int times = done.computeIfAbsent(piece, any -> new AtomicInteger()).incrementAndGet();
        if (piece.equals("p3") && times == 1) {
          throw new IllegalStateException("It goes wrong.");
        }
        return piece.equals("p2") && times < 3 ? Optional.of(Duration.ofMillis(1)) : Optional.empty();
      }
    };
    JobQueue queue = new JobQueue(app.bean(DataSource.class), asked -> { });
    for (int asked = 0; asked < 2; asked++) {
      for (int i = 0; i < 6; i++) {
        queue.ask(job.name(), "p" + i);
      }
    }
    Jobs one = new Jobs(app.bean(DataSource.class), List.of(), List.of(job));
    Jobs other = new Jobs(app.bean(DataSource.class), List.of(), List.of(job));
    try {
      one.start();
      other.start();
      until("all but the bad one", () -> app.database().asOwner().sql("SELECT COUNT(*) FROM queued_jobs WHERE task_name = 'test-pieces'").query(Integer.class).single() <= 1);
    } finally {
      one.stop();
      other.stop();
      app.database().asOwner().sql("DELETE FROM queued_jobs WHERE task_name = 'test-pieces'").update();
    }
    assertThat(order.get(0)).isIn("p0", "p1");
    assertThat(done).hasSize(6);
    assertThat(done.get("p2").get()).isEqualTo(3);
    for (String piece : List.of("p0", "p1", "p4", "p5")) {
      assertThat(done.get(piece).get()).as(piece).isEqualTo(1);
    }
  }
}
