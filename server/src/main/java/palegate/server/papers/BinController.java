package palegate.server.papers;

import java.security.Principal;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.snapshot.Snapshot;
import palegate.server.inforce.PuttingInForce;
import palegate.server.shell.MayBeMissing;
import palegate.server.store.DeletedPapers;

/** The bin of an ordinary person: what they deleted, and putting it back. */
@RestController
@RequestMapping("/api/papers/bin")
class BinController {
  /**
   * Something deleted.
   *
   * @param where the names above it, from the library down
   * @param until the last moment at which its deleter may put it back
   * @param why why they may not; missing if they may
   */
  record Binned(long change, String name, String kind, @MayBeMissing String type, String where, Instant deletedAt, Instant until, @MayBeMissing String why) {}

  /** @param more of what may be known, beyond those listed */
  record BinView(List<Binned> items, int more) {}

  private static final int LISTED_AT_MOST = 200;

  private final Papers papers;
  private final Bin bin;
  private final PuttingInForce inForce;

  BinController(Papers papers, Bin bin, PuttingInForce inForce) {
    this.papers = papers;
    this.bin = bin;
    this.inForce = inForce;
  }

  /** Newest first, at most {@value #LISTED_AT_MOST}. */
  @GetMapping
  BinView bin(Principal who) {
    Papers.Own own = papers.of(who.getName());
    Snapshot snapshot = own.snapshot();
    List<DeletedPapers.Deleted> gone = bin.of(own, who.getName());
    return new BinView(gone.stream().limit(LISTED_AT_MOST).map(one -> new Binned(one.change(), one.place().name(), one.place().kind().word(), Papers.typeName(snapshot, one.place().type()),
        snapshot.pathText(snapshot.placeNumber(one.place().parent())), one.at(), one.at().plus(Bin.KEPT), Bin.whyNot(own, one).orElse(null))).toList(), Math.max(0, gone.size() - LISTED_AT_MOST));
  }

  /** Puts back what one deleted; decided on the state that it is put in force on. */
  @PostMapping("/{change}/return")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void putBack(@PathVariable long change, Principal who) {
    inForce.byRight(who.getName(), "Put back from the bin", () -> bin.toPutBack(change, who.getName()));
  }
}
