package palegate.server.jobs;

import java.time.Duration;
import java.util.Optional;

/** Work that is asked for piece by piece ({@link JobQueue}), done oldest first, and by each instance one at a time. */
public interface QueuedJob {
  String name();

  /** Does a piece, which may have been begun by an instance that has ended. Returns after what time it is to be tried again; empty if it is done. */
  Optional<Duration> run(String piece);
}
