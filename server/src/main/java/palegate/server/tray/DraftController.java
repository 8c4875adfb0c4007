package palegate.server.tray;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.changes.Refusal;
import palegate.core.changes.Wording;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.server.approvals.Approvals;
import palegate.server.changes.ChangeBody;
import palegate.server.drafts.DraftStore;
import palegate.server.drafts.Drafts;
import palegate.server.drafts.Seen;
import palegate.server.inforce.ClashView;
import palegate.server.inforce.PuttingInForce;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.viewpoint.KnownChanges;

/** The signed-in person's draft: what is in it, what it would do, and what becomes of it. */
@RestController
@RequestMapping("/api/draft")
class DraftController {
  /**
   * One change of the draft in words.
   *
   * @param about what it is about: the kind of thing
   * @param aboutId and its id
   * @param where the path of a place, or the name of another thing
   * @param entry of a change that adds or removes a line of an access list, the id of that line
   * @param problem why it cannot be made any more, or null
   */
  record Item(long id, String kind, String about, String aboutId, String where, String words, @MayBeMissing String entry, @MayBeMissing String problem) {}

  /**
   * The draft in hand and, in numbers, what it would do: the tray.
   *
   * @param id null if nothing is in hand
   * @param seen names the rehearsal that these numbers are of: whoever puts the draft in force sends it back
   * @param approvalNeeded why somebody else has to approve it who has not yet; empty if nobody has to
   * @param approvedBy who has approved exactly this
   */
  record Draft(@MayBeMissing Long id, String name, long change, int version, Seen seen, List<Item> items, RightsDifference.Totals totals, int lockOuts,
      int authorLosesGovern, int withoutEffect, int wallConflicts, int oddWalls, int laterInstants, List<ClashView> clashes,
      List<String> approvalNeeded, List<String> approvedBy, @MayBeMissing Instant dueAt, @MayBeMissing String stopped) {}

  /** {@code request} names this request: sent twice, it is carried out once. */
  record PutInForce(
      int version, @NotNull(message = "Send the rehearsal that was shown.") @Valid Seen seen,
      @NotBlank(message = "Write why, in a sentence: it stands in the journal.")
      @Size(max = 2000, message = "A note has at most 2,000 characters.") String note,
      boolean acceptLockOuts,
      @Size(max = 64, message = "The name of a request has at most 64 characters.") @MayBeMissing String request) {}

  /** Several changes at once: all of them, or none. */
  record Changes(@NotEmpty(message = "Send at least one change.") @Size(max = 5000, message = "At most 5,000 changes at once.") List<ChangeBody> changes) {}

  record Ordering(@NotEmpty(message = "Name the changes in their new order.") List<Long> items) {}

  /** What one change does by itself, taken after those before it. */
  record Effect(RightsDifference.Totals totals) {}

  record InForce(long change) {}

  private final Drafts drafts;
  private final PuttingInForce puttingInForce;
  private final Approvals approvals;
  private final KnownChanges changes;

  DraftController(Drafts drafts, PuttingInForce puttingInForce, Approvals approvals, KnownChanges changes) {
    this.changes = changes;
    this.drafts = drafts;
    this.puttingInForce = puttingInForce;
    this.approvals = approvals;
  }

  @GetMapping
  Draft draft(Principal who) {
    Drafts.Rehearsed rehearsed = drafts.rehearse(who.getName());
    var rehearsal = rehearsed.rehearsal();
    DraftStore.Draft draft = rehearsed.draft();
    Map<Long, KnownChanges.Known> known = changes.to(who.getName());
    return new Draft(draft == null ? null : draft.id(), draft == null ? "Draft" : draft.name(), rehearsed.change(), draft == null ? 0 : draft.version(), Seen.of(rehearsed.change(), rehearsal),
        items(rehearsed), rehearsal.now().totals(), rehearsal.lockOuts().size(), rehearsal.authorLosesGovern().size(), rehearsal.withoutEffect().size(),
        rehearsal.wallConflicts().size(), rehearsal.oddWalls().size(), rehearsal.differences().size() - 1,
        drafts.clashes(rehearsed).stream().map(clash -> ClashView.of(clash, rehearsal.before(), known)).toList(),
        draft == null ? List.of() : approvals.missing(draft, rehearsal, drafts.whole(draft)),
        draft == null ? List.of() : approvals.of(draft, drafts.whole(draft)).stream().map(Approvals.Approval::name).toList(),
        draft == null || draft.due() == null ? null : draft.due().at(), draft == null ? null : draft.stopped());
  }

  @PostMapping("/changes")
  @ResponseStatus(HttpStatus.CREATED)
  Draft add(@RequestBody ChangeBody change, Principal who) {
    drafts.add(who.getName(), ChangeBody.Sent.of(List.of(change)));
    return draft(who);
  }

  @PostMapping("/changes/many")
  @ResponseStatus(HttpStatus.CREATED)
  Draft addMany(@Valid @RequestBody Changes changes, Principal who) {
    drafts.add(who.getName(), ChangeBody.Sent.of(changes.changes()));
    return draft(who);
  }

  @PostMapping("/order")
  Draft reorder(@Valid @RequestBody Ordering ordering, Principal who) {
    drafts.reorder(who.getName(), ordering.items());
    return draft(who);
  }

  /** What the change does by itself, now. */
  @GetMapping("/changes/{id}/effect")
  Effect effect(@PathVariable long id, Principal who) {
    Drafts.Rehearsed rehearsed = drafts.rehearse(who.getName());
    List<DraftStore.Item> items = rehearsed.isEmpty() ? List.of() : rehearsed.draft().items();
    int position = items.stream().map(DraftStore.Item::id).toList().indexOf(id);
    if (position < 0) {
      throw Problem.notFound("change in your draft", Long.toString(id));
    }
    return new Effect(rehearsed.rehearsal().effectOf(position, rehearsed.rehearsal().now().instant()).totals());
  }

  @DeleteMapping("/changes/{id}")
  Draft remove(@PathVariable long id, Principal who) {
    drafts.remove(who.getName(), id);
    return draft(who);
  }

  @DeleteMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void discard(Principal who) {
    drafts.discard(who.getName());
  }

  /** "I have seen what clashed": the draft goes on from the current state. */
  @PostMapping("/renewal")
  Draft renew(Principal who) {
    drafts.renew(who.getName());
    return draft(who);
  }

  @PostMapping("/in-force")
  InForce putInForce(@Valid @RequestBody PutInForce body, Principal who) {
    return new InForce(puttingInForce.inHand(who.getName(),
        new PuttingInForce.Order(body.version(), body.seen(), body.note().strip(), body.acceptLockOuts(), body.request())));
  }

  /** Whether a request that was not answered, or not with an answer that could be read, was carried out: the change that it led to. */
  @GetMapping("/in-force/{request}")
  InForce carriedOut(@PathVariable String request, Principal who) {
    return new InForce(puttingInForce.answered(who.getName(), request).orElseThrow(() -> Problem.notFound("answered request", request)));
  }

  /**
   * The changes of somebody else's draft in words, as far as whoever reads them may know what they are about.
   *
   * @param whole what the draft really does: what can be made there and not here is about something else
   */
  static List<Item> items(Drafts.Rehearsed rehearsed, Rehearsal whole) {
    List<Item> items = items(rehearsed);
    // What is in the way for everybody, or only beside what the reader knows, is about something that they know.
    Set<Integer> aboutKnown = Stream.concat(whole.obstacles().stream(), rehearsed.rehearsal().refusals().stream().filter(Refusal::amongKnown)).map(Refusal::change).collect(Collectors.toSet());
    return IntStream.range(0, items.size()).filter(i -> items.get(i).problem() == null || aboutKnown.contains(i)).mapToObj(items::get).toList();
  }

  /** The changes of a draft in words. */
  static List<Item> items(Drafts.Rehearsed rehearsed) {
    if (rehearsed.isEmpty()) {
      return List.of();
    }
    Snapshot before = rehearsed.rehearsal().before();
    Snapshot after = rehearsed.rehearsal().after();
    Wording words = new Wording(before.structure(), after.structure());
    Map<Integer, String> problems = rehearsed.rehearsal().refusals().stream()
        .collect(Collectors.toMap(Refusal::change, refusal -> refusal.what() + " " + refusal.remedy(), (a, b) -> a + " " + b));
    List<Item> items = new ArrayList<>();
    for (DraftStore.Item item : rehearsed.draft().items()) {
      String thing = item.change().thing();
      String about = thing.substring(0, thing.indexOf(':'));
      String id = thing.substring(thing.indexOf(':') + 1);
      items.add(new Item(item.id(), item.change().kind().word(), about, id, where(about, id, before, after, words), item.change().words(words),
          entry(item.change()), problems.get(items.size())));
    }
    return items;
  }

  private static String entry(Change change) {
    return change instanceof AccessChange.AddGrant add ? add.grant().id() : change instanceof AccessChange.RemoveGrant remove ? remove.grant()
        : change instanceof AccessChange.AddWithholding add ? add.withholding().id() : change instanceof AccessChange.RemoveWithholding remove ? remove.withholding() : null;
  }

  private static String where(String about, String id, Snapshot before, Snapshot after, Wording words) {
    if (!about.equals("place")) {
      return words.name(about, id);
    }
    int known = before.placeNumber(id);
    int made = after.placeNumber(id);
    return known >= 0 ? before.pathText(known) : made >= 0 ? after.pathText(made) : id;
  }
}
