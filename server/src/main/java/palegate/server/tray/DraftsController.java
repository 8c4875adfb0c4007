package palegate.server.tray;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.rehearsal.RightsDifference;
import palegate.server.drafts.Seen;
import palegate.server.shell.MayBeMissing;

/** All drafts that somebody may see: their own, and those that colleagues share with them. */
@RestController
@RequestMapping("/api/drafts")
class DraftsController {
  /** A draft in the list. {@code mine} tells whether it is the asker's own. */
  record DraftLine(long id, String name, String owner, boolean mine, boolean inHand, int changes, @MayBeMissing Instant dueAt, @MayBeMissing String stopped,
      List<String> approvedBy) {}

  record Reader(String login, String name) {}

  record Comment(String author, Instant at, String text) {}

  /** What a draft would do if it were put in force at an instant to come, for deciding whether to schedule it. */
  record Foreseen(Seen seen, int version, RightsDifference.Totals totals, int lockOuts, List<String> approvalNeeded) {}

  record Approve(int version, @NotNull(message = "Send the rehearsal that was shown.") @Valid Seen seen) {}

  /** One draft opened; of a scheduled one, what it would do at its hour: what is in it, what it would do, with whom it is shared, and what they say. */
  record Opened(DraftLine draft, int version, Seen seen, List<DraftController.Item> items, RightsDifference.Totals totals, List<String> approvalNeeded, List<Reader> readers,
      List<Comment> comments) {}

  record Name(@NotBlank(message = "Give the draft a name.") @Size(max = 200, message = "A name has at most 200 characters.") String name) {}

  record Login(@NotBlank(message = "Name a colleague by login.") String login) {}

  record Text(@NotBlank(message = "Write something.") @Size(max = 2000, message = "A comment has at most 2,000 characters.") String text) {}

  record Schedule(
      int version, @NotNull(message = "Send the rehearsal that was shown.") @Valid Seen seen, boolean acceptLockOuts, @NotNull(message = "Say when.") Instant at,
      @NotBlank(message = "Write why, in a sentence: it stands in the journal.")
      @Size(max = 2000, message = "A note has at most 2,000 characters.") String note) {}

  private final StoredDrafts drafts;

  DraftsController(StoredDrafts drafts) {
    this.drafts = drafts;
  }

  @GetMapping
  List<DraftLine> drafts(Principal who) {
    return drafts.lines(who.getName());
  }

  /** Begins a draft and puts it in hand. */
  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  List<DraftLine> begin(@Valid @RequestBody Name name, Principal who) {
    drafts.begin(who.getName(), name.name().strip());
    return drafts(who);
  }

  @GetMapping("/{id}")
  Opened draft(@PathVariable long id, Principal who) {
    return drafts.open(id, who.getName());
  }

  @PostMapping("/{id}/in-hand")
  List<DraftLine> takeInHand(@PathVariable long id, Principal who) {
    drafts.takeInHand(id, who.getName());
    return drafts(who);
  }

  @PostMapping("/{id}/name")
  List<DraftLine> rename(@PathVariable long id, @Valid @RequestBody Name name, Principal who) {
    drafts.rename(id, who.getName(), name.name().strip());
    return drafts(who);
  }

  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void discard(@PathVariable long id, Principal who) {
    drafts.discard(id, who.getName());
  }

  /** Everybody with whom a draft can be shared. */
  @GetMapping("/colleagues")
  List<Reader> colleagues(Principal who) {
    return drafts.colleagues(who.getName());
  }

  @PostMapping("/{id}/readers")
  Opened share(@PathVariable long id, @Valid @RequestBody Login reader, Principal who) {
    drafts.share(id, who.getName(), reader.login());
    return draft(id, who);
  }

  @DeleteMapping("/{id}/readers/{login}")
  Opened unshare(@PathVariable long id, @PathVariable String login, Principal who) {
    drafts.unshare(id, who.getName(), login);
    return draft(id, who);
  }

  @PostMapping("/{id}/comments")
  Opened comment(@PathVariable long id, @Valid @RequestBody Text text, Principal who) {
    drafts.comment(id, who.getName(), text.text().strip());
    return draft(id, who);
  }

  @PostMapping("/{id}/approval")
  Opened approve(@PathVariable long id, @Valid @RequestBody Approve seen, Principal who) {
    drafts.approve(id, who.getName(), seen.version(), seen.seen());
    return draft(id, who);
  }

  /** What the draft would do at an instant to come. */
  @GetMapping("/{id}/foreseen")
  Foreseen foreseen(@PathVariable long id, @RequestParam Instant at, Principal who) {
    return drafts.foresee(id, who.getName(), at);
  }

  /** Has the draft put in force by itself, with the same checks; if they fail it stops and says why. */
  @PostMapping("/{id}/schedule")
  Opened schedule(@PathVariable long id, @Valid @RequestBody Schedule schedule, Principal who) {
    drafts.schedule(id, who.getName(), schedule.version(), schedule.at(), schedule.note().strip(), schedule.seen(), schedule.acceptLockOuts());
    return draft(id, who);
  }

  @DeleteMapping("/{id}/schedule")
  Opened unschedule(@PathVariable long id, Principal who) {
    drafts.unschedule(id, who.getName());
    return draft(id, who);
  }
}
