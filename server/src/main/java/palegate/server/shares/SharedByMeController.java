package palegate.server.shares;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Pattern;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.access.Grant;
import palegate.core.changes.Change;
import palegate.core.changes.PassChange;
import palegate.core.changes.ShareChange;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.shares.SharesRegister;
import palegate.core.shares.StillIn;
import palegate.core.sharing.Pass;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.server.inforce.PuttingInForce;
import palegate.server.papers.Papers;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.viewpoint.Viewpoints;

/** What one shares oneself: looked through, and taken back. What a wall keeps from one by now is not among it. */
@RestController
@RequestMapping("/api/papers/shares")
class SharedByMeController {
  private static final int LISTED_AT_MOST = 500;
  private static final int STILL_IN_AT_MOST = 50;

  /**
   * A share or a pass.
   *
   * @param people how many people it lets in, or could open it
   * @param opened by how many a pass is open; of a share, 0
   */
  record MyShare(SharesRegister.Kind kind, String id, String place, String name, String path, List<String> with, String role, @MayBeMissing Instant from, @MayBeMissing Instant until, SharesRegister.State state, int people, int outside, int opened,
      @MayBeMissing Integer uses, @MayBeMissing String note) {}

  /** @param more of one's own, beyond those listed */
  record MyShares(List<MyShare> items, int more) {}

  /** Somebody who is still in afterwards; {@code ways} says by what. */
  record StillThere(String person, List<String> rights, List<String> ways) {}

  /** @param losing how many people can do less afterwards, at once */
  record TakingBack(int losing, List<StillThere> stillIn, int more, String digest) {}

  record TakeBackOrder(@NotBlank(message = "Send the digest of what was shown.") @Pattern(regexp = "[0-9a-f]{64}", message = "Send the digest of what was shown.") String seen) {}

  private final Papers papers;
  private final Viewpoints viewpoints;
  private final PuttingInForce inForce;
  private final Sharers sharers;

  SharedByMeController(Papers papers, Viewpoints viewpoints, PuttingInForce inForce, Sharers sharers) {
    this.papers = papers;
    this.viewpoints = viewpoints;
    this.inForce = inForce;
    this.sharers = sharers;
  }

  @GetMapping
  MyShares mine(Principal who) {
    Papers.Own own = papers.of(who.getName());
    Structure structure = own.snapshot().structure();
    List<SharesRegister.Row> mine = SharesRegister.by(own.asker().id(), own.at()).stream().filter(row -> own.places().finds(row.place())).toList();
    return new MyShares(mine.stream().limit(LISTED_AT_MOST).map(row -> new MyShare(row.kind(), row.id(), own.snapshot().place(row.place()).id(), own.snapshot().place(row.place()).name(), own.snapshot().pathText(row.place()),
        row.subjects().stream().map(subject -> SubjectNames.of(subject, structure)).toList(), structure.roles().get(row.role()).name(), row.period().from(), row.period().until(), row.state(), row.people(), row.outsiders(), row.opened(), row.uses(),
        row.note())).toList(), Math.max(0, mine.size() - LISTED_AT_MOST));
  }

  /** What taking it back would do, and who would still be in by other ways; nothing is taken back. */
  @GetMapping("/{id}/taking-back")
  TakingBack rehearse(@PathVariable String id, Principal who) {
    Papers.Own own = papers.of(who.getName());
    Rehearsal rehearsal = Rehearsal.of(own.snapshot(), List.of(takingBack(own, id)), sharers.now(), own.asker().id());
    Structure known = viewpoints.known(who.getName()).snapshot().structure();
    List<StillIn> still = StillIn.after(rehearsal);
    // Groups by which others have something are not theirs to know; that there is another way is.
    return new TakingBack((int) rehearsal.now().people().stream().filter(shift -> !shift.lost().isEmpty()).count(), still.stream().limit(STILL_IN_AT_MOST).map(one -> new StillThere(
        known.people().containsKey(one.person().id()) ? one.person().name() : "somebody whom you share no group with", one.rights().words(), one.ways().stream().map(way -> shown(way, known)).distinct().toList())).toList(),
        Math.max(0, still.size() - STILL_IN_AT_MOST), rehearsal.digest());
  }

  private static String shown(String way, Structure known) {
    boolean plain = way.equals("an entry by name") || way.equals("a share by name") || way.equals("a pass") || way.equals("oversight") || way.startsWith("All ");
    boolean theirs = known.groups().values().stream().anyMatch(group -> group.name().equals(way)) || known.units().values().stream().anyMatch(unit -> unit.name().equals(way));
    return plain || theirs ? way : "a group";
  }

  @PostMapping("/{id}/taking-back")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void takeBack(@PathVariable String id, @Valid @RequestBody TakeBackOrder order, Principal who) {
    inForce.byRight(who.getName(), "Took back what was shared", () -> {
      Papers.Own own = papers.of(who.getName());
      Change change = takingBack(own, id);
      Sharers.refuseOther(Rehearsal.of(own.snapshot(), List.of(change), sharers.now(), own.asker().id()), order.seen());
      return List.of(change);
    });
  }

  /** Of somebody else's share, and of one at a place that they cannot find, it is not told whether it exists. */
  private static Change takingBack(Papers.Own own, String id) {
    Structure structure = own.snapshot().structure();
    Grant share = structure.grants().get(id);
    Pass pass = structure.passes().get(id);
    if (share != null && own.asker().id().equals(share.sharedBy()) && share.pass() == null && own.places().finds(own.snapshot().placeNumber(share.place()))) {
      return new ShareChange.TakeBackShare(share.place(), id);
    }
    if (pass != null && own.asker().id().equals(pass.maker()) && own.places().finds(own.snapshot().placeNumber(pass.place()))) {
      return new PassChange.TakeBackPass(id);
    }
    throw Problem.notFound("share", id);
  }
}
