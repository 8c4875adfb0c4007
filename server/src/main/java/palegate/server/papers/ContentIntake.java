package palegate.server.papers;

import java.time.Clock;
import java.util.OptionalInt;
import java.util.function.Consumer;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.shell.Problem;
import palegate.server.store.Contents;
import palegate.server.store.Snapshots;
import palegate.server.store.Transactions;
import palegate.server.viewpoint.Viewpoints;

/**
 * Takes content into documents. Whether somebody may put it there is decided of the state that holds when it is kept: a wall that was raised
 * while it was on its way keeps it out.
 */
@Component
public class ContentIntake {
  private static final int TRIES = 8;

  private final Contents contents;
  private final TextExtraction extraction;
  private final Snapshots snapshots;
  private final Viewpoints viewpoints;
  private final Transactions transactions;
  private final Clock clock;

  ContentIntake(Contents contents, TextExtraction extraction, Snapshots snapshots, Viewpoints viewpoints, Transactions transactions, Clock clock) {
    this.contents = contents;
    this.extraction = extraction;
    this.snapshots = snapshots;
    this.viewpoints = viewpoints;
    this.transactions = transactions;
    this.clock = clock;
  }

  /** @param refuseUnless throws, of the newest state, why it may not be; then nothing is kept */
  public void keep(String place, String mediaType, byte[] bytes, String account, Consumer<Viewpoint> refuseUnless) {
    for (int i = 0; i < TRIES; i++) {
      long change = snapshots.current().change();
      refuseUnless.accept(viewpoints.of(account));
      OptionalInt version = transactions.write(() -> contents.putAsOf(change, place, mediaType, bytes, account, clock.instant()));
      if (version.isPresent()) {
        extraction.read(place, version.getAsInt(), mediaType.split(";")[0].strip(), bytes);
        return;
      }
    }
    throw Problem.of(HttpStatus.CONFLICT, "others-meanwhile", "Not kept", "Others changed something at every moment at which this was to be kept. Try again.");
  }
}
