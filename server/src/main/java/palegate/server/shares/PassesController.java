package palegate.server.shares;

import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.shares.PassOpening;
import palegate.core.sharing.Pass;
import palegate.core.structure.Structure;
import palegate.server.changes.NewIds;
import palegate.server.inforce.PuttingInForce;
import palegate.server.papers.Papers;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.store.PassOpenings;

/** A pass at its address: what it offers to whom it is for, and opening it. To everybody else it is as if it never was. */
@RestController
@RequestMapping("/api/papers/passes")
class PassesController {
  /**
   * What a pass offers.
   *
   * @param place what it is called
   * @param placeId missing until one is in: where it stands is told to whoever is
   * @param open whether one is in by it already
   * @param why why it cannot be opened now; missing if it can, or is
   */
  record PassOffered(String place, @MayBeMissing String placeId, String role, List<String> rights, String maker, @MayBeMissing Instant from, @MayBeMissing Instant until, @MayBeMissing String note, boolean open, @MayBeMissing String why) {}

  record PassOpened(String place) {}

  private final Papers papers;
  private final PassOpenings openings;
  private final PuttingInForce inForce;
  private final Clock clock;

  PassesController(Papers papers, PassOpenings openings, PuttingInForce inForce, Clock clock) {
    this.papers = papers;
    this.openings = openings;
    this.inForce = inForce;
    this.clock = clock;
  }

  @GetMapping("/{id}")
  PassOffered offered(@PathVariable String id, Principal who) {
    Papers.Own own = papers.of(who.getName());
    PassOpening opening = opening(own, id, "e-offered");
    if (opening instanceof PassOpening.OpenAlready in) {
      return offered(own, in.pass(), true, null);
    }
    return opening instanceof PassOpening.Refused refused ? offered(own, refused.pass(), false, refused.what() + " " + refused.remedy()) : offered(own, ((PassOpening.Opens) opening).pass(), false, null);
  }

  private static PassOffered offered(Papers.Own own, Pass pass, boolean open, String why) {
    Structure structure = own.snapshot().structure();
    return new PassOffered(structure.places().get(pass.place()).name(), open ? pass.place() : null, structure.roles().get(pass.role()).name(), structure.roles().get(pass.role()).rights().words(), structure.people().get(pass.maker()).name(),
        pass.period().from(), pass.period().until(), pass.note(), open, why);
  }

  /** Opens it, once: whoever is in by it already stays so. Decided on the state that it is put in force on. */
  @PostMapping("/{id}/opening")
  PassOpened open(@PathVariable String id, Principal who) {
    String entry = NewIds.of("e");
    AtomicReference<String> place = new AtomicReference<>();
    inForce.byRight(who.getName(), "Opened a pass", () -> {
      PassOpening opening = opening(papers.of(who.getName()), id, entry);
      if (opening instanceof PassOpening.Refused refused) {
        throw Problem.of(HttpStatus.CONFLICT, "pass-refused", "This pass does not open", refused.what() + " " + refused.remedy());
      }
      place.set(opening instanceof PassOpening.Opens opens ? opens.pass().place() : ((PassOpening.OpenAlready) opening).pass().place());
      return opening instanceof PassOpening.Opens opens ? List.of(opens.change()) : List.of();
    });
    return new PassOpened(place.get());
  }

  private PassOpening opening(Papers.Own own, String id, String entry) {
    PassOpening opening = PassOpening.of(own.at(), clock.instant(), id, own.asker().id(), openings.by(id), entry);
    if (opening instanceof PassOpening.Unknown) {
      throw Problem.notFound("pass", id);
    }
    return opening;
  }
}
