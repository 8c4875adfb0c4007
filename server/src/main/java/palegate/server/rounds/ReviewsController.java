package palegate.server.rounds;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.Size;
import java.io.IOException;
import java.io.InputStream;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.rounds.DecidedChange;
import palegate.core.rounds.Decision;
import palegate.core.rounds.ItemKind;
import palegate.core.rounds.RemovalEffect;
import palegate.core.rounds.ReturnedRows;
import palegate.core.rounds.ReviewItem;
import palegate.core.rounds.StandingItems;
import palegate.core.structure.Structure;
import palegate.exports.FileFormat;
import palegate.exports.ReviewFile;
import palegate.server.exports.Uploads;
import palegate.server.lists.PageRequest;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.shell.Written;
import palegate.server.store.RoundRecords;

/** What one is asked oneself, whatever else one may do: the items, the answers, and the file that goes out and comes back. */
@RestController
@RequestMapping("/api/reviews")
class ReviewsController {
  record ReviewLine(long round, String name, Instant due, String askedBy, boolean needsComment, int items, int decided, @MayBeMissing Instant handedInAt) {}

  record RoleChoice(String id, String name) {}

  /**
   * An item to decide on.
   *
   * @param effect what removing it would do, in a sentence
   * @param changed whether it is another one now than when it was asked about
   */
  record MyItem(int number, ItemKind kind, String sentence, String where, String since, int people, int outsiders, int risk, String effect, boolean takesRole, boolean changed, @MayBeMissing Decision decision, @MayBeMissing String toRole, @MayBeMissing Instant toUntil, String comment) {}

  record MyItems(ReviewLine round, List<RoleChoice> roles, Page<MyItem> items) {}

  /** @param decision none takes back what was decided */
  record Decisions(@NotEmpty(message = "Choose items.") @Size(max = 5_000, message = "Decide on at most 5,000 items at once.") List<Integer> numbers, @MayBeMissing Decision decision, @MayBeMissing String role, @MayBeMissing Instant until,
      @MayBeMissing @Size(max = ReturnedRows.COMMENT_AT_MOST, message = "A comment has at most 1,000 characters.") String comment) {}

  record FaultyCell(int row, String column, String what, String remedy) {}

  record ChangedSince(int row, String sentence, String decision) {}

  /**
   * What a file that came back says.
   *
   * @param fresh how many answers are not there yet; {@code same} are
   * @param missing items that were handed out and are not in the file
   * @param changed answers about what is another one now; they are kept only when they are confirmed
   * @param seen names just these: they are kept when it is sent back as {@code confirmed}
   * @param written how many answers were written down now
   * @param kept whether it was asked to keep them
   */
  record Return(int answers, int fresh, int same, int open, List<FaultyCell> faults, List<String> missing, List<ChangedSince> changed, String seen, int written, boolean kept) {}

  private final Rounds rounds;
  private final RoundRecords records;
  private final MyReviews mine;
  private final Clock clock;

  ReviewsController(Rounds rounds, RoundRecords records, MyReviews mine, Clock clock) {
    this.rounds = rounds;
    this.records = records;
    this.mine = mine;
    this.clock = clock;
  }

  /** The open rounds in which one is asked, the soonest due first. */
  @GetMapping
  List<ReviewLine> all(Principal who) {
    return mine.asking(who.getName()).stream().map(review -> line(review)).toList();
  }

  private static ReviewLine line(MyReviews.Review review) {
    return new ReviewLine(review.round().id(), review.round().name(), review.round().due(), review.round().madeByName(), review.round().needsComment(), review.items().size(), (int) review.items().stream().filter(item -> item.decided() != null).count(), review.handedIn());
  }

  /** One's items in the order in which they are read: changed since the last round, then risky, then together what stands in one place. */
  @GetMapping("/{round}/items")
  MyItems items(@PathVariable long round, @RequestParam(defaultValue = "false") boolean openOnly, @ParameterObject PageRequest part, Principal who) {
    MyReviews.Review review = mine.find(round, who.getName());
    StandingItems now = rounds.standing(who.getName());
    List<RoundRecords.Item> found = review.items().stream().filter(item -> (!openOnly || item.decided() == null) && part.takes(item.item().sentence(), item.item().containerName())).toList();
    Map<Integer, String> since = rounds.sinceAndBefore(round, part.of(found), who.getName());
    return new MyItems(line(review), roles(review.structure()), Page.of(found, part.offset(), part.limit(), item -> view(item, review, now, since.get(item.number()))));
  }

  private static List<RoleChoice> roles(Structure structure) {
    return structure.roles().values().stream().map(role -> new RoleChoice(role.id(), role.name())).sorted(Comparator.comparing(RoleChoice::name)).toList();
  }

  private static MyItem view(RoundRecords.Item item, MyReviews.Review review, StandingItems now, String since) {
    RoundRecords.Decided decided = item.decided();
    return new MyItem(item.number(), item.item().kind(), item.item().sentence(), item.item().containerName(), since, item.item().people(), item.item().outsiders(), item.item().risk(), RemovalEffect.of(review.moment(), item.item()).words(),
        DecidedChange.takesRole(item.item().kind()), now.isChanged(item.item()), decided == null ? null : decided.decision(), decided == null ? null : decided.instead().role(), decided == null ? null : decided.instead().until(), decided == null ? "" : decided.comment());
  }

  /** Decides on one item or many; until one hands in, what was decided can be decided otherwise or taken back. */
  @PostMapping("/{round}/decisions")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void decide(@PathVariable long round, @Valid @RequestBody Decisions asked, Principal who) {
    new Written().text("comment", asked.comment()).instant("until", asked.until()).refuse("Nothing was decided; each point is listed.");
    MyReviews.Review review = mine.find(round, who.getName());
    Set<Integer> own = new HashSet<>();
    review.items().forEach(item -> own.add(item.number()));
    List<Problem.Fault> faults = new ArrayList<>();
    asked.numbers().stream().filter(number -> number == null || !own.contains(number)).forEach(number -> faults.add(new Problem.Fault("item " + number, "You are not asked about this item.", "Reload the page.")));
    String comment = asked.comment() == null ? "" : asked.comment().strip();
    if (asked.decision() == Decision.CHANGE && asked.role() == null && asked.until() == null) {
      faults.add(new Problem.Fault("decision", "It is not said what to change.", "Name another role, or a new end."));
    }
    if (asked.role() != null && (!review.structure().roles().containsKey(asked.role()) || asked.decision() != Decision.CHANGE || review.items().stream().anyMatch(item -> asked.numbers().contains(item.number()) && !DecidedChange.takesRole(item.item().kind())))) {
      faults.add(new Problem.Fault("role", "There is no such role, or not all of these are about a role.", "Choose a role for grants and clearances alone."));
    }
    if (asked.until() != null && (!asked.until().isAfter(clock.instant()) || asked.decision() != Decision.CHANGE)) {
      faults.add(new Problem.Fault("until", "The new end has passed, or the decision is another one than change.", "Choose a day to come, or remove it."));
    }
    if (asked.decision() != null && comment.isEmpty() && (asked.decision() == Decision.ASK || review.round().needsComment() && asked.decision() != Decision.KEEP)) {
      faults.add(new Problem.Fault("comment", asked.decision() == Decision.ASK ? "It is not said what is asked." : "This round wants a reason for every decision but keep.", "Write a sentence."));
    }
    if (!faults.isEmpty()) {
      throw Problem.faults("Nothing was decided; each point is listed.", faults);
    }
    RoundRecords.Decided decided = asked.decision() == null ? null
        : new RoundRecords.Decided(asked.decision(), new DecidedChange.Instead(asked.role(), asked.until()), comment, clock.instant(), who.getName(), rounds.nameOf(who.getName()));
    Map<Integer, RoundRecords.Decided> decisions = new HashMap<>();
    asked.numbers().forEach(number -> decisions.put(number, decided));
    if (!records.decide(round, review.person(), decisions)) {
      throw handedIn();
    }
  }

  private static Problem handedIn() {
    return Problem.of(HttpStatus.CONFLICT, "handed-in", "Handed in", "You have handed in, the round was closed, or an item was given to somebody else. Nothing was decided now; reload the page.");
  }

  /** After this nothing is decided any more; everything has to be decided before. */
  @PostMapping("/{round}/handing-in")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void handIn(@PathVariable long round, Principal who) {
    MyReviews.Review review = mine.find(round, who.getName());
    long open = review.items().stream().filter(item -> item.decided() == null).count();
    if (open > 0) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "undecided", "Not all is decided", open + (open == 1 ? " item is" : " items are") + " not decided yet. Decide on them first, or say that they are not yours.");
    }
    if (!records.handIn(round, review.person(), review.items().stream().map(RoundRecords.Item::number).toList(), who.getName(), rounds.nameOf(who.getName()), clock.instant())) {
      throw handedIn();
    }
  }

  /** One's items to be filled in elsewhere. */
  @GetMapping("/{round}/file")
  void file(@PathVariable long round, @RequestParam FileFormat format, Principal who, HttpServletResponse response) throws IOException {
    MyReviews.Review review = mine.find(round, who.getName());
    mine.write(review, format, rounds.sinceAndBefore(round, review.items(), who.getName()), response);
  }

  /**
   * A file that comes back. Good rows are kept whatever the others hold; what is about something that has changed since is kept only when
   * that is confirmed. The same file twice changes nothing.
   */
  @PostMapping("/{round}/return")
  @Operation(requestBody = @io.swagger.v3.oas.annotations.parameters.RequestBody(required = true, content = @Content(mediaType = "application/octet-stream", schema = @Schema(type = "string", format = "binary"))))
  Return bringBack(@PathVariable long round, @RequestParam(defaultValue = "false") boolean keep, @RequestParam(defaultValue = "") String confirmed, InputStream body, Principal who) throws IOException {
    MyReviews.Review review = mine.find(round, who.getName());
    return read(review, Uploads.read(body, ReviewFile::read), keep, confirmed, who.getName());
  }

  private Return read(MyReviews.Review review, ReviewFile.Returned returned, boolean keep, String confirmed, String account) {
    if (!returned.identity().equals(ReviewFile.identity(review.round().id(), review.person()))) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "another-review", "Not this review", "The file says that it is of another round or another reviewer (" + returned.identity() + "). Bring it back where it was handed out.");
    }
    if (review.handedIn() != null) {
      throw handedIn();
    }
    ReturnedRows.Result result = mine.check(review, returned.rows());
    Map<String, RoundRecords.Item> byKey = new HashMap<>();
    review.items().forEach(item -> byKey.put(item.item().key(), item));
    StandingItems now = rounds.standing(account);
    List<ReturnedRows.Answer> fresh = result.answers().stream().filter(answer -> !says(byKey.get(answer.key()).decided(), answer)).toList();
    Set<ReturnedRows.Answer> changed = fresh.stream().filter(answer -> now.isChanged(byKey.get(answer.key()).item())).collect(Collectors.toCollection(LinkedHashSet::new));
    // What is confirmed is what was shown: another change since then is not confirmed with it.
    String seen = changed.isEmpty() ? "" : Rounds.digest(changed.stream().map(answer -> answer.key() + "|" + answer.decision() + "|" + now.find(byKey.get(answer.key()).item()).map(ReviewItem::digest).orElse("gone")).toList());
    List<ReturnedRows.Answer> kept = fresh.stream().filter(answer -> !changed.contains(answer) || seen.equals(confirmed)).toList();
    if (keep && !kept.isEmpty()) {
      String name = rounds.nameOf(account);
      Map<Integer, RoundRecords.Decided> decisions = new HashMap<>();
      kept.forEach(answer -> decisions.put(byKey.get(answer.key()).number(), new RoundRecords.Decided(answer.decision(), new DecidedChange.Instead(answer.role(), answer.until()), answer.comment(), clock.instant(), account, name)));
      if (!records.decide(review.round().id(), review.person(), decisions)) {
        throw handedIn();
      }
    }
    return new Return(result.answers().size(), fresh.size(), result.answers().size() - fresh.size(), result.open(), result.faults().stream().map(fault -> new FaultyCell(fault.row(), fault.column(), fault.what(), fault.remedy())).toList(),
        result.missing().stream().map(key -> byKey.get(key).item().sentence()).toList(), changed.stream().map(answer -> new ChangedSince(answer.row(), byKey.get(answer.key()).item().sentence(), answer.decision().words())).toList(), seen, keep ? kept.size() : 0, keep);
  }

  private static boolean says(RoundRecords.Decided decided, ReturnedRows.Answer answer) {
    return decided != null && decided.decision() == answer.decision() && Objects.equals(decided.instead().role(), answer.role()) && Objects.equals(decided.instead().until(), answer.until()) && decided.comment().equals(answer.comment());
  }
}
