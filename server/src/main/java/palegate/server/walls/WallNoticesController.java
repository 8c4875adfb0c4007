package palegate.server.walls;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.certificates.Certificate;
import palegate.core.duties.Duty;
import palegate.core.people.Person;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.Barring;
import palegate.core.wallsatwork.WallAudience;
import palegate.core.wallsatwork.WallTies;
import palegate.server.session.Accounts;
import palegate.server.session.Mailbox;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.store.Transactions;
import palegate.server.store.WallNotices;
import palegate.server.viewpoint.Viewpoints;
import palegate.server.views.PersonView;

/**
 * Telling those concerned of a wall, and who has said that they read it. Whom it keeps out is told only when somebody chooses so, in words
 * that are not the author's: they say neither which wall it is nor what lies behind it.
 */
@RestController
class WallNoticesController {
  /**
   * Whom a notice would reach, of those whom the asker may know, without the asker.
   *
   * @param seen names these people: it is sent back with the notice
   * @param withoutAddress how many of them get no letter, and read it when they sign in
   */
  record AudienceView(WallAudience audience, List<PersonView> people, int more, int total, int withoutAddress, String seen) {}

  record ReaderView(PersonView person, @MayBeMissing Instant acknowledged) {}

  /** A notice as it was sent; of its readers those who have not acknowledged come first. */
  record NoticeView(long id, WallAudience audience, String text, Instant at, String by, List<ReaderView> readers) {}

  /** @param keptOutText what those whom the wall keeps out would read */
  record NoticesView(List<AudienceView> audiences, String keptOutText, List<NoticeView> notices) {}

  record Notify(@NotNull(message = "Choose whom to tell.") WallAudience audience, @Size(max = 2000, message = "A notice has at most 2,000 characters.") String text,
      @NotBlank(message = "Send back whom you were shown.") @Size(max = 80, message = "Send back whom you were shown.") String seen) {}

  record Sent(int people, int letters) {}

  static final String KEPT_OUT_TEXT = "There are papers in the repository that are not for you. Please do not look for them, and do not ask about matters that are not yours. This says nothing against you. "
      + "If you are asked to work on something and are not sure whether you may, ask first.";

  private static final int NAMED_AT_MOST = 50;
  private static final int NOTICES_AT_MOST = 100;
  private static final int PEOPLE_AT_MOST = 5_000;
  private static final Duration SENT_TWICE_WITHIN = Duration.ofMinutes(2);
  private static final Duration AGAIN_AFTER = Duration.ofDays(1);

  private final WallsAtWork walls;
  private final Viewpoints viewpoints;
  private final WallNotices notices;
  private final Mailbox mailbox;
  private final Accounts accounts;
  private final Transactions transactions;
  private final Clock clock;

  WallNoticesController(WallsAtWork walls, Viewpoints viewpoints, WallNotices notices, Mailbox mailbox, Accounts accounts, Transactions transactions, Clock clock) {
    this.walls = walls;
    this.viewpoints = viewpoints;
    this.notices = notices;
    this.mailbox = mailbox;
    this.accounts = accounts;
    this.transactions = transactions;
    this.clock = clock;
  }

  /** Of a wall that is in force: a draft is nobody's to be told of. Whoever it keeps out sees their own notices only. */
  @GetMapping("/api/walls/{id}/notices")
  NoticesView notices(@PathVariable String id, Principal who) {
    walls.refuseOthers(who, Duty.WALLS, Duty.AUDIT);
    SnapshotAt now = known(who);
    Wall wall = find(now, id);
    List<AudienceView> audiences = Stream.of(WallAudience.values()).map(audience -> {
      List<Person> people = people(now, wall, audience, who);
      return new AudienceView(audience, people.stream().limit(NAMED_AT_MOST).map(person -> PersonView.of(person, now.snapshot().structure())).toList(), Math.max(0, people.size() - NAMED_AT_MOST), people.size(),
          (int) people.stream().filter(person -> person.email() == null).count(), seen(people));
    }).toList();
    boolean keptOut = keepsOut(now, wall, who);
    Map<Long, List<WallNotices.Reader>> readers = notices.readers(id);
    return new NoticesView(audiences, KEPT_OUT_TEXT, notices.of(id, NOTICES_AT_MOST).stream().filter(notice -> !keptOut || notice.author().equals(who.getName()))
        .map(notice -> view(notice, readers.getOrDefault(notice.id(), List.of()), now.snapshot())).toList());
  }

  /** Sends a notice to just those who were shown; 409 if they are others by now. */
  @PostMapping("/api/walls/{id}/notices")
  @ResponseStatus(HttpStatus.CREATED)
  Sent send(@PathVariable String id, @Valid @RequestBody Notify asked, Principal who) {
    walls.refuseOthers(who, Duty.WALLS);
    SnapshotAt now = known(who);
    Wall wall = find(now, id);
    List<Person> people = people(now, wall, asked.audience(), who);
    if (!seen(people).equals(asked.seen())) {
      throw Problem.of(HttpStatus.CONFLICT, "others-meanwhile", "Others than were shown", "Whom this notice would reach has changed since you were shown. Look at them again, and send it then.");
    }
    if (people.isEmpty() || people.size() > PEOPLE_AT_MOST) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "nobody-to-tell", "Not sent", people.isEmpty() ? "There is nobody to tell." : "A notice goes to at most 5,000 people; these are " + people.size() + ". Tell those who keep the papers.");
    }
    boolean keptOut = asked.audience() == WallAudience.KEPT_OUT;
    String text = keptOut ? KEPT_OUT_TEXT : asked.text() == null ? "" : asked.text().strip();
    if (text.isEmpty()) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "no-text", "Not sent", "Write what they are to know, in a sentence or two.");
    }
    String name = accounts.nameOf(who.getName());
    Instant at = clock.instant();
    if (notices.sentSince(id, asked.audience(), text, who.getName(), at.minus(SENT_TWICE_WITHIN))) {
      throw Problem.of(HttpStatus.CONFLICT, "sent-already", "Sent already", "You have sent just this a moment ago. It is in the list below.");
    }
    transactions.write(() -> {
      notices.keep(id, asked.audience(), text, who.getName(), name, people.stream().map(Person::id).toList(), at);
      return letters(people, name);
    });
    return new Sent(people.size(), (int) people.stream().filter(person -> person.email() != null).count());
  }

  /** Writes again to whoever has not said that they read it and was not written to within a day, unless the notice is not for them any more. */
  @PostMapping("/api/walls/{id}/notices/{number}/reminders")
  Sent remind(@PathVariable String id, @PathVariable long number, Principal who) {
    walls.refuseOthers(who, Duty.WALLS);
    SnapshotAt now = known(who);
    Wall wall = find(now, id);
    WallNotices.Notice notice = notices.find(id, number).filter(one -> one.author().equals(who.getName()) || !keepsOut(now, wall, who)).orElseThrow(() -> Problem.notFound("notice", String.valueOf(number)));
    Map<String, Person> concerned = new HashMap<>();
    notices.readers(id).getOrDefault(number, List.of()).stream().filter(reader -> notice.audience().mayStillRead(now, wall, reader.person())).map(reader -> now.snapshot().structure().people().get(reader.person()))
        .filter(person -> person != null && person.active()).forEach(person -> concerned.put(person.id(), person));
    String name = accounts.nameOf(who.getName());
    Instant at = clock.instant();
    return transactions.write(() -> {
      List<Person> again = notices.writeAgain(number, concerned.keySet(), at.minus(AGAIN_AFTER), at).stream().map(concerned::get).toList();
      return new Sent(again.size(), letters(again, name));
    });
  }

  private boolean keepsOut(SnapshotAt now, Wall wall, Principal who) {
    String asker = walls.asker(who).id();
    return asker != null && WallTies.bars(Barring.of(now, wall), now.snapshot().personNumber(asker));
  }

  /** They say nothing of what is to be read: a letter cannot be called back, and others keep the mail. */
  private int letters(List<Person> people, String name) {
    List<Person> reached = people.stream().filter(person -> person.email() != null).toList();
    mailbox.send(reached.stream().map(person -> new Mailbox.Outgoing(person.email(), "Please read and confirm", name + " asks you to read something and to confirm that you have. Sign in: it stands above every page until you do.")).toList(), clock.instant());
    return reached.size();
  }

  private static NoticeView view(WallNotices.Notice notice, List<WallNotices.Reader> readers, Snapshot known) {
    List<ReaderView> views = new ArrayList<>();
    readers.stream().filter(reader -> known.structure().people().containsKey(reader.person()))
        .sorted(Comparator.comparing((WallNotices.Reader reader) -> reader.acknowledged() != null).thenComparing(reader -> known.structure().people().get(reader.person()).name()).thenComparing(WallNotices.Reader::person))
        .forEach(reader -> views.add(new ReaderView(PersonView.of(known.structure().people().get(reader.person()), known.structure()), reader.acknowledged())));
    return new NoticeView(notice.id(), notice.audience(), notice.text(), notice.at(), notice.authorName(), views);
  }

  private SnapshotAt known(Principal who) {
    return viewpoints.known(who.getName()).snapshot().at(clock.instant());
  }

  private static Wall find(SnapshotAt now, String id) {
    Wall wall = now.snapshot().structure().walls().get(id);
    if (wall == null) {
      throw Problem.notFound("wall", id);
    }
    return wall;
  }

  /** Whoever tells them knows it already. */
  private List<Person> people(SnapshotAt now, Wall wall, WallAudience audience, Principal who) {
    List<Person> people = new ArrayList<>();
    String author = walls.asker(who).id();
    audience.of(now, wall).forEach(person -> people.add(now.snapshot().person(person)));
    people.removeIf(person -> person.id().equals(author));
    people.sort(Comparator.comparing(Person::name).thenComparing(Person::id));
    return people;
  }

  private static String seen(List<Person> people) {
    return Certificate.digest(String.join("\n", people.stream().map(Person::id).sorted().toList()).getBytes(StandardCharsets.UTF_8));
  }
}
