package palegate.server.walls;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.security.Principal;
import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.structure.Structure;
import palegate.core.text.Counted;
import palegate.core.wallsatwork.PossibleContact;
import palegate.exports.FileFormat;
import palegate.exports.Sheet;
import palegate.exports.StatementSheet;
import palegate.server.exports.Downloads;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.store.Openings;
import palegate.server.views.PersonView;

/** The first question of whoever keeps the walls: who of those kept out could have been inside, from when to when, and who has been. */
@RestController
@RequestMapping("/api/walls/{id}/contact")
class WallContactController {
  /** Somebody barred who opened a document inside, or took a copy of it out. */
  record Contact(PersonView person, String place, String path, Instant first, Instant last, int times, int copies) {}

  /** @param began the change that let them in; missing if a date did, or if it was so when the history begins */
  record CouldRead(Instant from, Instant until, @MayBeMissing Long began, @MayBeMissing Long ended) {}

  /**
   * Somebody barred who could have read something inside.
   *
   * @param documents the most at one time
   * @param opened when they opened each document inside first and last, in order, at most forty instants
   */
  record CouldHave(PersonView person, List<CouldRead> spans, int documents, int days, List<Instant> opened) {}

  /** @param whole whether the history from {@code from} on is all there is */
  record PossibleContacts(Instant from, Instant until, boolean whole, Page<CouldHave> people) {}

  private static final int OPENINGS_DRAWN = 40;
  private static final int SECONDS_A_DAY = 86_400;

  private static final SortOrders<Contact> CONTACTS = SortOrders.<Contact>by("last", Comparator.comparing(Contact::last).reversed()).or("name", Comparator.comparing(one -> one.person().name()))
      .or("first", Comparator.comparing(Contact::first)).or("place", Comparator.comparing(Contact::path)).or("times", Comparator.comparing(Contact::times));
  private static final SortOrders<PossibleContact> POSSIBLE = SortOrders.<PossibleContact>by("days", Comparator.comparing(PossibleContact::seconds).reversed())
      .or("name", Comparator.comparing(one -> one.person().name())).or("documents", Comparator.comparing(PossibleContact::documents));

  private final WallContacts contacts;
  private final WallsAtWork walls;

  WallContactController(WallContacts contacts, WallsAtWork walls) {
    this.contacts = contacts;
    this.walls = walls;
  }

  /** Who has opened something inside, or taken a copy of it out, newest first. */
  @GetMapping
  Page<Contact> contact(@PathVariable String id, @ParameterObject PageRequest part, Principal who) {
    WallsAtWork.Worked worked = walls.worked(id, who);
    return CONTACTS.page(part, opened(worked).filter(one -> part.takes(one.person().name(), one.path())), one -> one);
  }

  private Stream<Contact> opened(WallsAtWork.Worked worked) {
    Structure structure = worked.standing().with().snapshot().structure();
    return contacts.opened(worked).stream().map(one -> new Contact(PersonView.of(structure.people().get(one.person()), structure), one.place(), path(worked, one), one.first(), one.last(), one.times(), one.copies()));
  }

  private static String path(WallsAtWork.Worked worked, Openings.Opened one) {
    return worked.standing().with().snapshot().pathText(worked.standing().with().snapshot().placeNumber(one.place()));
  }

  /** Who could have read something inside, from when to when, longest first. */
  @GetMapping("/possible")
  PossibleContacts possible(@PathVariable String id, @ParameterObject PageRequest part, Principal who) {
    WallsAtWork.Worked worked = walls.worked(id, who);
    Structure structure = worked.standing().with().snapshot().structure();
    Map<String, List<Openings.Opened>> opened = contacts.opened(worked).stream().collect(Collectors.groupingBy(Openings.Opened::person));
    WallContacts.Possible found = contacts.possible(id, who);
    return new PossibleContacts(found.from(), found.until(), found.whole(), POSSIBLE.page(part, found.people().stream().filter(one -> part.takes(one.person().name())),
        one -> new CouldHave(PersonView.of(one.person(), structure), one.spans().stream().map(WallContactController::view).toList(), one.documents(), days(one.seconds()),
            opened.getOrDefault(one.person().id(), List.of()).stream().flatMap(each -> Stream.of(each.first(), each.last())).distinct().sorted().limit(OPENINGS_DRAWN).toList())));
  }

  private static CouldRead view(PossibleContact.Span span) {
    return new CouldRead(span.from(), span.until(), span.began() == 0 ? null : span.began(), span.ended() == 0 ? null : span.ended());
  }

  private static int days(long seconds) {
    return (int) ((seconds + SECONDS_A_DAY - 1) / SECONDS_A_DAY);
  }

  /** Both as one list, by person and then in time: what could be read, then what was opened. */
  @GetMapping("/file")
  void file(@PathVariable String id, @RequestParam FileFormat format, Principal who, HttpServletResponse response) throws IOException {
    WallsAtWork.Worked worked = walls.worked(id, who);
    WallContacts.Possible found = contacts.possible(id, who);
    Map<String, String> facts = new LinkedHashMap<>();
    facts.put("Wall", worked.standing().wall().name());
    facts.put("History looked at", StatementSheet.moment(found.from()) + " to " + StatementSheet.moment(found.until()) + (found.whole() ? "" : "; the journal goes back further"));
    facts.put("Who", "Those whom the wall keeps out today, as far as you may know them");
    facts.put("Could read", "By standing rights, at least one of the documents that the wall covers today");
    Function<Instant, String> when = StatementSheet::moment;
    Stream<List<String>> could = found.people().stream().flatMap(one -> one.spans().stream().map(span -> List.of(one.person().name(), one.person().external() ? "outsider" : "staff", "could read",
        "up to " + Counted.of(one.documents(), "document", "documents"), when.apply(span.from()), when.apply(span.until()), span.began() == 0 ? "" : "change " + span.began(), span.ended() == 0 ? "" : "change " + span.ended())));
    Stream<List<String>> opened = opened(worked).sorted(Comparator.comparing((Contact one) -> one.person().name()).thenComparing(Contact::first)).map(one -> List.of(one.person().name(),
        one.person().external() ? "outsider" : "staff", one.copies() > 0 ? "took a copy" : "opened", one.path(), when.apply(one.first()), when.apply(one.last()), one.times() + (one.times() == 1 ? " time" : " times"),
        one.copies() == 0 ? "" : one.copies() + (one.copies() == 1 ? " copy" : " copies")));
    Downloads.send(format, new Sheet("pale-gate-contact-" + worked.standing().wall().id(), "Contact with what a wall covers", facts,
        List.of(new Sheet.Column("person", "Who", 26), new Sheet.Column("standing", "Staff or outsider", 16), new Sheet.Column("what", "What", 14), new Sheet.Column("where", "Documents", 60),
            new Sheet.Column("from", "From", 22), new Sheet.Column("until", "Until", 22), new Sheet.Column("began", "Began by, or how often", 22), new Sheet.Column("ended", "Ended by, or copies", 22)),
        Stream.concat(could, opened)), response);
  }
}
