package palegate.server.rounds;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import palegate.core.roles.Role;
import palegate.core.rounds.DecidedChange;
import palegate.core.rounds.RemovalEffect;
import palegate.core.rounds.ReturnedRows;
import palegate.core.rounds.ReviewItem;
import palegate.core.rounds.Reviewers;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.exports.FileFormat;
import palegate.exports.ReviewFile;
import palegate.server.shell.Problem;
import palegate.server.store.RoundRecords;
import palegate.server.viewpoint.Viewpoints;

/** What a reviewer is asked: the items given to the person to whom the account belongs, as far as they may still be asked about them. */
@Component
class MyReviews {
  private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("uuuu-MM-dd", Locale.UK).withZone(ZoneOffset.UTC);

  /** @param handedIn null until they hand in */
  record Review(RoundRecords.Round round, String person, List<RoundRecords.Item> items, Instant handedIn, SnapshotAt moment) {
    Structure structure() {
      return moment.snapshot().structure();
    }
  }

  private final RoundRecords records;
  private final Viewpoints viewpoints;
  private final Clock clock;

  MyReviews(RoundRecords records, Viewpoints viewpoints, Clock clock) {
    this.records = records;
    this.viewpoints = viewpoints;
    this.clock = clock;
  }

  List<Review> asking(String account) {
    String person = viewpoints.asker(account).id();
    if (person == null) {
      return List.of();
    }
    List<RoundRecords.Round> rounds = records.asking(person);
    List<Long> numbers = rounds.stream().map(RoundRecords.Round::id).toList();
    Map<Long, List<RoundRecords.Item>> items = records.items(numbers);
    Map<Long, Map<String, Instant>> deliveries = records.deliveries(numbers);
    SnapshotAt moment = viewpoints.asker(account).state();
    int number = moment.snapshot().personNumber(person);
    // Somebody barred from a place since, or whose own access it has become, is not asked about it any more.
    return rounds.stream().map(round -> new Review(round, person, items.getOrDefault(round.id(), List.of()).stream().filter(item -> person.equals(item.reviewer()) && Reviewers.mayReview(moment, number, item.item())).toList(),
        deliveries.getOrDefault(round.id(), Map.of()).get(person), moment)).filter(review -> !review.items().isEmpty()).toList();
  }

  /** One that is open, and in which they are asked anything; any other is not there. */
  Review find(long round, String account) {
    return asking(account).stream().filter(review -> review.round().id() == round).findFirst().orElseThrow(() -> Problem.notFound("review", Long.toString(round)));
  }

  void write(Review review, FileFormat format, Map<Integer, String> since, HttpServletResponse response) throws IOException {
    if (format != FileFormat.XLSX && format != FileFormat.CSV) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "no-such-format", "Not in this format", "A review goes out as a workbook or as CSV, in which it can be filled in.");
    }
    response.setContentType(format.mediaType());
    response.setHeader(HttpHeaders.CONTENT_DISPOSITION, ContentDisposition.attachment().filename("pale-gate-review-" + review.round().id() + "." + format.ending()).build().toString());
    String identity = ReviewFile.identity(review.round().id(), review.person());
    List<ReviewFile.Handed> items = review.items().stream().map(item -> handed(item, review, since.get(item.number()))).toList();
    if (format == FileFormat.CSV) {
      ReviewFile.writeCsv(identity, items, response.getOutputStream());
      return;
    }
    ReviewFile.writeWorkbook(identity, "Your review: " + review.round().name(), List.of(
        "In the sheet Items, say in the column Decision what is to happen with each line: keep, change, remove, not mine or ask. The yellow cells are yours; nothing else can be altered.",
        "For change, name another role, or a new end (like 2026-12-31, the last day that counts), or both. For ask, and wherever the round wants a reason, write a comment.",
        "Lines may be sorted and filtered. Lines that are left empty stay open. Do not copy keys from one line to another.",
        "Save it as a workbook and bring it back on the page Reviews before " + DAY.format(review.round().due()) + ". What cannot be taken is listed by cell; good lines are kept. Bringing the same file back twice changes nothing."),
        items, review.structure().roles().values().stream().map(Role::name).sorted().toList(), response.getOutputStream());
  }

  private ReviewFile.Handed handed(RoundRecords.Item item, Review review, String since) {
    RoundRecords.Decided decided = item.decided();
    ReviewItem asked = item.item();
    Role role = decided == null || decided.instead().role() == null ? null : review.structure().roles().get(decided.instead().role());
    return new ReviewFile.Handed(asked.key(), asked.digest(), asked.sentence(), asked.containerName(), since, RemovalEffect.of(review.moment(), asked).words(), asked.people(), asked.outsiders(), DecidedChange.takesRole(asked.kind()),
        decided == null ? "" : decided.decision().words(), role == null ? "" : role.name(), decided == null || decided.instead().until() == null ? "" : DAY.format(decided.instead().until().minusSeconds(1)), decided == null ? "" : decided.comment());
  }

  ReturnedRows.Result check(Review review, List<ReturnedRows.Row> rows) {
    Map<String, String> roles = new HashMap<>();
    Set<String> several = new HashSet<>();
    review.structure().roles().values().stream().sorted(Comparator.comparing(Role::id)).forEach(role -> {
      if (roles.put(role.name(), role.id()) != null) {
        several.add(role.name());
      }
    });
    several.forEach(roles::remove);
    return new ReturnedRows(review.items().stream().map(item -> new ReturnedRows.HandedOut(item.item().key(), item.item().digest(), ReviewFile.facts(item.item().sentence(), item.item().containerName()), DecidedChange.takesRole(item.item().kind()))).toList(),
        roles, review.round().needsComment(), clock.instant()).read(rows);
  }
}
