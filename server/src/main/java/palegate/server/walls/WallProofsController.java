package palegate.server.walls;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CancellationException;
import java.util.concurrent.Semaphore;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.certificates.Certificate;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.WallProof;
import palegate.server.session.Accounts;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.store.Snapshots;
import palegate.server.store.WallRecords;
import palegate.server.viewpoint.Viewpoints;

/**
 * Proofs that a wall holds as it is in force, of what whoever proves may know. They are kept for whoever made them: another would read
 * in them how much there is. The certificate can be handed on, and checked.
 */
@RestController
@RequestMapping("/api/walls/{id}/proofs")
class WallProofsController {
  /** {@code number} is missing where it was not kept; {@code change} is the state that was proved. */
  record ProofView(@MayBeMissing Long number, long change, Instant at, String author, long pairs, long leaks, long explained, boolean planned, Instant provedFor, String bundleDigest, String certificate,
      List<LeakView> found) {}

  record LeakView(String person, String place, List<String> rights) {}

  /** How many pairs have been asked about, of how many. */
  record UnderWay(long done, long all) {}

  /** {@code underWay} is missing where whoever asks has no proof of this wall under way. */
  record UnderWayView(@MayBeMissing UnderWay underWay) {}

  enum CertificateFormat {
    JSON, PDF
  }

  /** Pairs that are asked about again by the explained stages. */
  private static final int SAMPLE = 100_000;
  /** Proofs take all processors: one after the other. */
  private final Semaphore one = new Semaphore(1);
  /** Whose proof of which wall is under way, and how far it is; null where none is. */
  private final AtomicReference<Doing> doing = new AtomicReference<>();
  private final SecureRandom seeds = new SecureRandom();
  private final WallsAtWork walls;
  private final WallRecords records;
  private final Viewpoints viewpoints;
  private final Accounts accounts;
  private final Clock clock;

  WallProofsController(WallsAtWork walls, WallRecords records, Viewpoints viewpoints, Accounts accounts, Clock clock) {
    this.walls = walls;
    this.records = records;
    this.viewpoints = viewpoints;
    this.accounts = accounts;
    this.clock = clock;
  }

  @GetMapping
  List<ProofView> proofs(@PathVariable String id, Principal who) {
    inForce(id, who);
    return records.proofs(id, who.getName()).stream().map(WallProofsController::view).toList();
  }

  private static ProofView view(WallRecords.Kept kept) {
    Certificate certificate = Certificate.read(kept.certificate()).orElseThrow();
    Certificate.Proved proved = certificate.walls().get(0);
    return new ProofView(kept.id(), kept.change(), kept.at(), kept.author(), proved.pairs(), proved.leaks() + proved.explainedLeaks(), proved.explained(), proved.planned(), proved.provedFor(), certificate.bundleDigest(),
        kept.certificate(), List.of());
  }

  private static final class Doing {
    private final String account;
    private final String wall;
    private volatile UnderWay stand = new UnderWay(0, 0);
    private volatile boolean calledOff;

    private Doing(String account, String wall) {
      this.account = account;
      this.wall = wall;
    }

    private boolean report(long done, long all) {
      stand = new UnderWay(done, all);
      return !calledOff;
    }
  }

  /** One's own, by this instance; it goes on when its page is left. */
  @GetMapping("/under-way")
  UnderWayView underWay(@PathVariable String id, Principal who) {
    inForce(id, who);
    return new UnderWayView(own(id, who).map(one -> one.stand).orElse(null));
  }

  /** Calls off one's own: nothing of it is kept. */
  @DeleteMapping("/under-way")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void callOff(@PathVariable String id, Principal who) {
    inForce(id, who);
    own(id, who).ifPresent(one -> one.calledOff = true);
  }

  private Optional<Doing> own(String id, Principal who) {
    return Optional.ofNullable(doing.get()).filter(one -> one.account.equals(who.getName()) && one.wall.equals(id));
  }

  /** Asks about every barred person at every covered place, and about some of the pairs again by the stages. O(pairs). */
  @PostMapping
  ProofView prove(@PathVariable String id, Principal who) {
    Wall wall = inForce(id, who);
    if (!one.tryAcquire()) {
      throw Problem.of(HttpStatus.CONFLICT, "proof-under-way", "Another proof is under way", "It takes all of the machine. Try again when it is done.");
    }
    Doing mine = new Doing(who.getName(), id);
    doing.set(mine);
    try {
      Snapshots.Numbered state = viewpoints.known(who.getName());
      Instant now = clock.instant();
      WallProof proof = WallProof.of(state.snapshot(), wall, now, SAMPLE, seeds.nextLong(), mine::report);
      Certificate certificate = new Certificate(now, Certificate.digest(state.snapshot().structure()), List.of(Certificate.Proved.of(wall, proof)));
      String author = accounts.nameOf(who.getName());
      records.keep(id, state.change(), now, who.getName(), author, proof.pairs(), proof.leaks() + proof.explainedLeaks(), certificate.toJson());
      return new ProofView(null, state.change(), now, author, proof.pairs(), proof.leaks() + proof.explainedLeaks(), proof.explained(), proof.planned(), proof.at(), certificate.bundleDigest(), certificate.toJson(),
          proof.found().stream().map(leak -> new LeakView(leak.person(), leak.place(), leak.rights().words())).toList());
    } catch (CancellationException calledOff) {
      throw Problem.of(HttpStatus.CONFLICT, "called-off", "Called off", "The proof was called off; nothing of it is kept.");
    } finally {
      doing.set(null);
      one.release();
    }
  }

  @GetMapping("/{number}/file")
  void file(@PathVariable String id, @PathVariable long number, @RequestParam CertificateFormat format, Principal who, HttpServletResponse response) throws IOException {
    inForce(id, who);
    WallRecords.Kept kept = records.proof(id, who.getName(), number).orElseThrow(() -> Problem.notFound("proof", Long.toString(number)));
    byte[] bytes = format == CertificateFormat.JSON ? kept.certificate().getBytes(StandardCharsets.UTF_8) : CertificatePdf.of(kept, Certificate.read(kept.certificate()).orElseThrow());
    response.setContentType(format == CertificateFormat.JSON ? "application/json" : "application/pdf");
    response.setHeader(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename("certificate-" + number + (format == CertificateFormat.JSON ? ".json" : ".pdf")).build().toString());
    response.getOutputStream().write(bytes);
  }

  /** As it is in force, not as a draft would have it: only that can be proved. */
  private Wall inForce(String id, Principal who) {
    walls.shownTo(who);
    Wall wall = viewpoints.known(who.getName()).snapshot().structure().walls().get(id);
    if (wall == null) {
      throw Problem.notFound("wall", id);
    }
    return wall;
  }
}
