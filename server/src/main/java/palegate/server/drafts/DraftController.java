package palegate.server.drafts;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.drafts.Difference;
import palegate.core.drafts.Refusal;
import palegate.core.snapshot.Snapshot;
import palegate.server.shell.MayBeMissing;

/** The signed-in person's draft: what is in it, what it would do, and what becomes of it. */
@RestController
@RequestMapping("/api/draft")
class DraftController {
  /** Somebody who could be named to govern a place. */
  record Candidate(String id, String name) {}

  /** One change of the draft in words; {@code problem} says why it cannot be made any more, or is null. */
  record Item(long id, String kind, String place, String path, String words, @MayBeMissing String problem) {}

  /** The draft and, in numbers, what it would do: the tray. */
  record Draft(long change, int version, List<Item> items, Difference.Totals totals, int lockOuts, int authorLosesGovern,
      int withoutEffect, int laterInstants, List<ClashView> clashes) {}

  record PutInForce(
      int version,
      @NotBlank(message = "Write why, in a sentence: it stands in the journal.")
      @Size(max = 2000, message = "A note has at most 2,000 characters.") String note,
      boolean acceptLockOuts) {}

  record InForce(long change) {}

  private final Drafts drafts;

  DraftController(Drafts drafts) {
    this.drafts = drafts;
  }

  @GetMapping
  Draft draft(Principal who) {
    Drafts.Rehearsed rehearsed = drafts.rehearse(who.getName());
    var rehearsal = rehearsed.rehearsal();
    return new Draft(rehearsed.change(), rehearsed.draft() == null ? 0 : rehearsed.draft().version(), items(rehearsed),
        rehearsal.now().totals(), rehearsal.lockOuts().size(), rehearsal.authorLosesGovern().size(), rehearsal.withoutEffect().size(),
        rehearsal.differences().size() - 1,
        rehearsed.clashes().stream().map(clash -> ClashView.of(clash, rehearsal.before())).toList());
  }

  @PostMapping("/changes")
  @ResponseStatus(HttpStatus.CREATED)
  Draft add(@Valid @RequestBody ChangeBody change, Principal who) {
    drafts.add(who.getName(), change);
    return draft(who);
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
    return new InForce(drafts.putInForce(who.getName(), body.version(), body.note().strip(), body.acceptLockOuts()));
  }

  private static List<Item> items(Drafts.Rehearsed rehearsed) {
    if (rehearsed.isEmpty()) {
      return List.of();
    }
    Snapshot snapshot = rehearsed.rehearsal().before();
    DraftWords words = new DraftWords(snapshot.structure());
    Map<Integer, String> problems = rehearsed.rehearsal().refusals().stream()
        .collect(Collectors.toMap(Refusal::change, refusal -> refusal.what() + " " + refusal.remedy(), (a, b) -> a + " " + b));
    List<Item> items = new ArrayList<>();
    for (DraftStore.Item item : rehearsed.draft().items()) {
      int place = snapshot.placeNumber(item.body().place());
      items.add(new Item(item.id(), item.body().getClass().getSimpleName(), item.body().place(),
          place < 0 ? item.body().place() : snapshot.pathText(place), words.of(item.body()), problems.get(items.size())));
    }
    return items;
  }
}
