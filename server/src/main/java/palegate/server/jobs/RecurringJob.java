package palegate.server.jobs;

import java.time.Duration;

/** Work that comes again and again; each time one of all instances does it. What goes wrong in it is its own to say. */
public interface RecurringJob {
  String name();

  /** From the end of one time to the beginning of the next. */
  Duration every();

  void run();
}
