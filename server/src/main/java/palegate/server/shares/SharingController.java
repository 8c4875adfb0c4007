package palegate.server.shares;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.changes.PassChange;
import palegate.core.collections.PersonSet;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.people.Subject;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.shares.ShareOffer;
import palegate.core.sharing.Pass;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.server.changes.NewIds;
import palegate.server.inforce.PuttingInForce;
import palegate.server.papers.Papers;
import palegate.server.session.Mailbox;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.shell.Written;
import palegate.server.views.SubjectRef;
import palegate.server.viewpoint.Viewpoints;

/** Letting others in, as everybody who may share has it: up to one's own rights, and within what the place says (access rules, section 11). */
@RestController
@RequestMapping("/api/papers")
class SharingController {
  private static final int NAMED_AT_MOST = 20;
  private static final int RECIPIENTS_AT_MOST = 30;
  static final int SUBJECTS_AT_MOST = 50;

  record ShareRole(String id, String name, List<String> rights) {}

  /** @param outside how many of the people are from outside */
  record Recipient(String kind, String id, String name, @MayBeMissing String text, int people, int outside) {}

  /**
   * What may be shared at a place.
   *
   * @param why why nothing may be shared; missing if something may
   * @param days for how long a share lasts unless another end is chosen
   * @param daysAtMost for how long it may last; missing for no bound
   */
  record SharingOffered(@MayBeMissing String why, List<ShareRole> roles, int days, @MayBeMissing Integer daysAtMost, boolean outsiders, List<Recipient> proposed) {}

  record ShareAsked(
      @NotEmpty(message = "Say with whom.") @Size(max = SUBJECTS_AT_MOST, message = "Name at most 50 at a time.") List<@Valid SubjectRef> subjects,
      @NotBlank(message = "Choose a role.") String role, @MayBeMissing Instant from, @MayBeMissing Instant until,
      @MayBeMissing @Size(max = 2_000, message = "Write at most 2,000 characters.") String note) {}

  /** A thing that stands in the way, and what would be right. */
  record ShareObstacle(String about, String what, String remedy) {}

  /**
   * What a share would do.
   *
   * @param gaining how many people would be let in, or could do more, now
   * @param later whether somebody would only from a later instant on
   * @param names some of them, as far as one may know them
   * @param digest of all that it says; who shares sends it back
   */
  record ShareTried(List<ShareObstacle> obstacles, int gaining, int outside, boolean later, List<String> names, String digest) {}

  /** @param tell whether the people who are named one by one are written to */
  record ShareOrder(@Valid ShareAsked share, boolean tell, @NotBlank(message = "Send the digest of what was shown.") @Pattern(regexp = "[0-9a-f]{64}", message = "Send the digest of what was shown.") String seen) {}

  record PassOrder(@Valid ShareAsked pass, @MayBeMissing @Min(value = 1, message = "At least one person.") @Max(value = Pass.USES_AT_MOST, message = "At most 100,000 people.") Integer uses, boolean tell,
      @NotBlank(message = "Send the digest of what was shown.") @Pattern(regexp = "[0-9a-f]{64}", message = "Send the digest of what was shown.") String seen) {}

  record PassMade(String id) {}

  private final Papers papers;
  private final Sharers sharers;
  private final Viewpoints viewpoints;
  private final PuttingInForce inForce;
  private final Mailbox mailbox;

  SharingController(Papers papers, Sharers sharers, Viewpoints viewpoints, PuttingInForce inForce, Mailbox mailbox) {
    this.papers = papers;
    this.sharers = sharers;
    this.viewpoints = viewpoints;
    this.inForce = inForce;
    this.mailbox = mailbox;
  }

  @GetMapping("/places/{id}/sharing")
  SharingOffered offered(@PathVariable String id, Principal who) {
    Papers.Own own = papers.of(who.getName());
    ShareOffer offer = ShareOffer.of(own.at(), own.at().instant(), own.person(), Papers.found(own, id));
    return new SharingOffered(offer.why(), offer.roles().stream().map(role -> new ShareRole(role.id(), role.name(), role.rights().words())).toList(), offer.days(), offer.daysAtMost(), offer.outsiders(),
        offer.proposed().stream().map(audience -> recipient(own, audience.subject(), audience.name(), audience.text())).toList());
  }

  /** The first of the people, groups and units whom one may name, by a part of their name, the likeliest first; and how many there are. O(people and groups known). */
  @GetMapping("/recipients")
  Page<Recipient> recipients(@RequestParam String text, Principal who) {
    Papers.Own own = papers.of(who.getName());
    Structure known = viewpoints.known(who.getName()).snapshot().structure();
    String wanted = text.strip().toLowerCase(Locale.ROOT);
    Stream<Subject> people = known.people().values().stream().filter(Person::active).filter(person -> !person.id().equals(own.asker().id())).map(person -> new Subject.OfPerson(person.id()));
    Stream<Subject> others = Stream.concat(known.groups().keySet().stream().map(Subject.OfGroup::new), known.units().keySet().stream().map(Subject.OfUnit::new));
    record Found(Subject subject, String name) {}
    List<Found> found = Stream.concat(Stream.concat(people, others), Stream.of(Subject.BuiltIn.values())).map(subject -> new Found(subject, SubjectNames.of(subject, known)))
        .filter(one -> one.name().toLowerCase(Locale.ROOT).contains(wanted))
        .sorted(Comparator.comparing((Found one) -> !one.name().toLowerCase(Locale.ROOT).startsWith(wanted)).thenComparing(Found::name).thenComparing(one -> one.subject().id())).toList();
    return Page.of(found, 0, RECIPIENTS_AT_MOST, one -> recipient(own, one.subject(), one.name(), null));
  }

  private static Recipient recipient(Papers.Own own, Subject subject, String name, String text) {
    PersonSet people = own.at().matching(subject).and(own.at().active());
    return new Recipient(subject.kind(), subject.id(), name, text, people.size(), people.sizeOfAnd(own.at().activeOutsiders()));
  }

  /** What would come of it; nothing is shared. */
  @PostMapping("/places/{id}/sharing")
  ShareTried rehearse(@PathVariable String id, @Valid @RequestBody ShareAsked asked, Principal who) {
    Sharers.Tried tried = sharers.tried(who.getName(), wanted(id, asked));
    Rehearsal rehearsal = tried.rehearsal();
    PersonSet gaining = tried.obstacles().isEmpty() ? Sharers.gaining(rehearsal) : PersonSet.NOBODY;
    Structure known = viewpoints.known(who.getName()).snapshot().structure();
    boolean later = tried.obstacles().isEmpty() && rehearsal.differences().stream().skip(1).anyMatch(at -> at.people().stream().anyMatch(shift -> !shift.gained().isEmpty()));
    return new ShareTried(tried.obstacles().stream().map(one -> new ShareObstacle(one.about(), one.what(), one.remedy())).toList(), gaining.size(), gaining.sizeOfAnd(tried.own().at().activeOutsiders()), later,
        Sharers.named(gaining, tried.own(), known, NAMED_AT_MOST).stream().map(Person::name).toList(), rehearsal.digest());
  }

  @PostMapping("/places/{id}/shares")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void share(@PathVariable String id, @Valid @RequestBody ShareOrder order, Principal who) {
    inForce.byRight(who.getName(), "Shared", () -> {
      Sharers.Tried tried = sharers.tried(who.getName(), wanted(id, order.share()));
      Sharers.refuse(tried, order.seen());
      refuseNothing(tried);
      return tried.steps();
    });
    tell(order.tell(), id, order.share(), "/papers/" + id, who);
  }

  /** Makes a pass: what it would do is what it would do if everybody for whom it is opened it at once. */
  @PostMapping("/places/{id}/passes")
  @ResponseStatus(HttpStatus.CREATED)
  PassMade pass(@PathVariable String id, @Valid @RequestBody PassOrder order, Principal who) {
    String pass = NewIds.of("pa");
    inForce.byRight(who.getName(), "Made a pass", () -> {
      Sharers.Wanted wanted = wanted(id, order.pass());
      if (wanted.subjects().contains(Subject.BuiltIn.OUTSIDERS)) {
        throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "for-nobody-known", "A pass is never for all outsiders", "Name the people or groups that it is for.");
      }
      Sharers.Tried tried = sharers.tried(who.getName(), wanted);
      Sharers.refuse(tried, order.seen());
      refuseNothing(tried);
      Period period = new Period(wanted.period().from() == null ? sharers.now() : wanted.period().from(), wanted.period().until());
      return List.of(new PassChange.SetPass(new Pass(pass, id, wanted.role(), wanted.subjects(), tried.own().asker().id(), period, order.uses(), wanted.note())));
    });
    tell(order.tell(), id, order.pass(), "/pass/" + pass, who);
    return new PassMade(pass);
  }

  /** A share that lets nobody do anything is a mistake, not a share. */
  private static void refuseNothing(Sharers.Tried tried) {
    if (tried.rehearsal().differences().stream().allMatch(at -> at.people().stream().allMatch(shift -> shift.gained().isEmpty()))) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "gives-nothing", "It would give them nothing", "They can do all this already, or something keeps it from them. Choose another role, or other people.");
    }
  }

  private static Sharers.Wanted wanted(String place, ShareAsked asked) {
    new Written().instant("from", asked.from()).instant("until", asked.until()).text("note", asked.note()).refuse("Nothing was shared.");
    if (asked.from() != null && asked.until() != null && !kept(asked.until()).isAfter(kept(asked.from()))) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "ends-before-it-begins", "It would end before it begins", "Choose an end after the beginning.");
    }
    Set<Subject> subjects = asked.subjects().stream().map(SubjectRef::subject).collect(Collectors.toCollection(LinkedHashSet::new));
    String note = asked.note() == null || asked.note().isBlank() ? null : asked.note().strip();
    return new Sharers.Wanted(place, List.copyOf(subjects), asked.role(), asked.from() == null && asked.until() == null ? Period.ALWAYS : new Period(kept(asked.from()), kept(asked.until())), note);
  }

  /** The database keeps no more of an instant. */
  private static Instant kept(Instant instant) {
    return instant == null ? null : instant.truncatedTo(ChronoUnit.MICROS);
  }

  /** Only whoever is named one by one, and gets something by it: nobody writes to a whole department. */
  private void tell(boolean wanted, String place, ShareAsked asked, String address, Principal who) {
    if (!wanted) {
      return;
    }
    Papers.Own own = papers.of(who.getName());
    Structure structure = own.snapshot().structure();
    String maker = own.snapshot().person(own.person()).name();
    String text = maker + " shares something with you" + (asked.note() == null || asked.note().isBlank() ? "." : ": " + asked.note().strip()) + "\n\nOpen it at " + address;
    int number = own.snapshot().placeNumber(place);
    PersonSet barred = number < 0 ? PersonSet.NOBODY : own.at().walls().barredFrom(number);
    mailbox.send(asked.subjects().stream().map(SubjectRef::subject).filter(Subject.OfPerson.class::isInstance).distinct().map(subject -> structure.people().get(subject.id()))
        .filter(person -> number >= 0 && person != null && person.email() != null && !barred.contains(own.snapshot().personNumber(person.id())))
        .map(person -> new Mailbox.Outgoing(person.email(), maker + " lets you in", text)).toList(), sharers.now());
  }
}
