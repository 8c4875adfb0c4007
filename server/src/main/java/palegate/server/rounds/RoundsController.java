package palegate.server.rounds;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
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
import palegate.core.people.Person;
import palegate.core.rounds.CarriedOut;
import palegate.core.rounds.Decision;
import palegate.core.rounds.ItemKind;
import palegate.core.rounds.ReviewScope;
import palegate.core.rounds.Reviewers;
import palegate.core.rounds.StandingItems;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.server.changes.ChangeBody;
import palegate.server.changes.NewIds;
import palegate.server.lists.PageRequest;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.shell.Written;
import palegate.server.store.RoundRecords;

/** Setting up rounds, seeing how they stand, carrying out what was decided, and closing them. */
@RestController
@RequestMapping("/api/rounds")
class RoundsController {
  /** @param groups only memberships of these; all if it is left out */
  record RoundAsked(@NotBlank(message = "Give the round a name.") @Size(max = 200, message = "A name has at most 200 characters.") String name, @NotEmpty(message = "Choose what is asked about.") List<ItemKind> kinds, @MayBeMissing String place,
      @MayBeMissing @Size(max = 200, message = "Name at most 200 groups.") List<String> groups, boolean outsidersOnly, @NotNull(message = "Choose a rule for reviewers.") Reviewers.Rule rule, @MayBeMissing String named, @MayBeMissing String standIn,
      @NotNull(message = "Say until when.") Instant due, @MayBeMissing @Min(value = 1, message = "A reminder goes out at least a day before.") @Max(value = 90, message = "A reminder goes out at most 90 days before.") Integer remindDays, boolean needsComment) {
    ReviewScope scope() {
      return new ReviewScope(Set.copyOf(kinds), place == null || place.isEmpty() ? null : place, groups == null ? Set.of() : Set.copyOf(groups), outsidersOnly);
    }
  }

  record ForReviewer(@MayBeMissing String person, @MayBeMissing String name, int items) {}

  record OfKind(ItemKind kind, int items) {}

  record RoundPreview(int items, List<OfKind> kinds, List<ForReviewer> reviewers) {}

  record RoundLine(long id, String name, boolean open, Instant due, Instant madeAt, String madeBy, int items, int decided, int reviewers, int handedIn, int toDo) {}

  /** @param older how many more there are that are not listed */
  record RoundRegister(List<RoundLine> rounds, int older) {}

  /** @param toDo how many decisions are still to be carried out */
  record ReviewerProgress(@MayBeMissing String person, @MayBeMissing String name, int items, int decided, int questions, int toDo, @MayBeMissing Instant handedInAt) {}

  record OfOutcome(String outcome, int items) {}

  /**
   * What was decided, beside the round before in which the same thing was asked about.
   *
   * @param first how many were never decided on before
   */
  record BesideBefore(int alike, int otherwise, int first) {}

  record TrailLine(Instant at, String who, String what) {}

  /** @param seen by which what is shown here is known again: closing names it */
  record RoundView(long id, String name, boolean open, boolean mayRun, List<ItemKind> kinds, @MayBeMissing String place, @MayBeMissing String path, boolean outsidersOnly, boolean needsComment, Instant due, @MayBeMissing Integer remindDays, Instant madeAt, String madeBy, long change,
      @MayBeMissing Instant closedAt, @MayBeMissing String closedBy, @MayBeMissing String closingNote, int items, List<ReviewerProgress> reviewers, List<OfOutcome> outcomes, BesideBefore beside, List<TrailLine> trail, String seen) {}

  record RoundItem(int number, ItemKind kind, String sentence, String where, String since, int people, int outsiders, @MayBeMissing String reviewer, @MayBeMissing String reviewerName, @MayBeMissing Decision decision, @MayBeMissing String toRole,
      @MayBeMissing Instant toUntil, String comment, @MayBeMissing Instant decidedAt, @MayBeMissing String decidedBy, String outcome, boolean changed) {}

  record Undone(int number, String sentence, String why) {}

  /**
   * @param left what cannot be carried out, with the reason
   * @param besides what would not be as it was decided although the changes are made, with the reason: what another decision makes otherwise
   */
  record ToDraft(List<ChangeBody> changes, List<Undone> left, List<Undone> besides) {}

  record Delegation(@NotEmpty(message = "Choose items.") @Size(max = 5_000, message = "Give at most 5,000 items at once.") List<Integer> numbers, @NotBlank(message = "Choose a person.") String to) {}

  record Closing(@NotBlank(message = "Sign off with a sentence.") @Size(max = 2_000, message = "A note has at most 2,000 characters.") String note,
      @NotNull(message = "Say what was seen.") @Size(max = 100, message = "That is not what a page sends.") String seen) {}

  private static final int SHOWN_AT_MOST = 100;

  private final Rounds rounds;
  private final RoundRecords records;
  private final RoundReminders reminders;
  private final Clock clock;

  RoundsController(Rounds rounds, RoundRecords records, RoundReminders reminders, Clock clock) {
    this.rounds = rounds;
    this.records = records;
    this.reminders = reminders;
    this.clock = clock;
  }

  /** Newest first, at most a hundred; how many older ones there are is said. */
  @GetMapping
  RoundRegister register(Principal who) {
    StandingItems now = rounds.standing(who.getName());
    List<RoundRecords.Round> all = rounds.shownTo(who.getName());
    List<RoundRecords.Round> shown = all.stream().limit(SHOWN_AT_MOST).toList();
    Map<Long, List<RoundRecords.Item>> itemsOf = rounds.items(shown, who.getName());
    Map<Long, Map<String, Instant>> deliveriesOf = records.deliveries(shown.stream().map(RoundRecords.Round::id).toList());
    return new RoundRegister(shown.stream().map(round -> {
      List<RoundRecords.Item> items = itemsOf.getOrDefault(round.id(), List.of());
      List<String> reviewers = items.stream().map(RoundRecords.Item::reviewer).filter(one -> one != null).distinct().toList();
      return new RoundLine(round.id(), round.name(), round.closed() == null, round.due(), round.madeAt(), round.madeByName(), items.size(), (int) items.stream().filter(item -> item.decided() != null).count(), reviewers.size(),
          (int) reviewers.stream().filter(deliveriesOf.getOrDefault(round.id(), Map.of())::containsKey).count(), (int) items.stream().filter(item -> Rounds.outcome(item, now).equals("to do")).count());
    }).toList(), all.size() - shown.size());
  }

  /** The rehearsal of a round: how many items for whom, before it starts. */
  @PostMapping("/preview")
  RoundPreview preview(@Valid @RequestBody RoundAsked asked, Principal who) {
    List<RoundRecords.Asked> items = prepared(asked, who).items();
    Structure structure = rounds.known(who.getName()).snapshot().structure();
    Map<ItemKind, Integer> kinds = new TreeMap<>();
    Map<String, Integer> reviewers = new HashMap<>();
    items.forEach(item -> {
      kinds.merge(item.item().kind(), 1, Integer::sum);
      reviewers.merge(item.reviewer() == null ? "" : item.reviewer(), 1, Integer::sum);
    });
    return new RoundPreview(items.size(), kinds.entrySet().stream().map(one -> new OfKind(one.getKey(), one.getValue())).toList(),
        reviewers.entrySet().stream().sorted(Map.Entry.<String, Integer>comparingByValue().reversed().thenComparing(Map.Entry.comparingByKey())).map(one -> new ForReviewer(one.getKey().isEmpty() ? null : one.getKey(), name(structure, one.getKey()), one.getValue())).toList());
  }

  private Rounds.Prepared prepared(RoundAsked asked, Principal who) {
    if (asked.rule() == Reviewers.Rule.NAMED && (asked.named() == null || asked.named().isEmpty())) {
      throw Problem.faults("The round cannot be prepared.", List.of(new Problem.Fault("named", "Nobody is named to review.", "Choose a person, or let the keepers review.")));
    }
    return rounds.prepare(asked.scope(), asked.rule(), empty(asked.named()), empty(asked.standIn()), who.getName());
  }

  private static String empty(String id) {
    return id == null || id.isEmpty() ? null : id;
  }

  private static String name(Structure structure, String person) {
    Person found = person == null ? null : structure.people().get(person);
    return found == null ? null : found.name();
  }

  @PostMapping
  @ResponseStatus(HttpStatus.CREATED)
  RoundLine begin(@Valid @RequestBody RoundAsked asked, Principal who) {
    Instant now = clock.instant();
    new Written().name("name", asked.name()).instant("due", asked.due()).refuse("The round cannot begin.");
    if (!asked.due().isAfter(now)) {
      throw Problem.faults("The round cannot begin.", List.of(new Problem.Fault("due", "The day has passed.", "Choose a day to come.")));
    }
    Rounds.Prepared prepared = prepared(asked, who);
    if (prepared.items().isEmpty()) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "nothing-to-review", "There is nothing to review", "Nothing of what was chosen is there. Choose other kinds, or another place.");
    }
    String name = rounds.nameOf(who.getName());
    long id = records.begin(asked.name().strip(), asked.scope(), asked.due(), asked.remindDays(), asked.needsComment(), who.getName(), name, now, prepared.change(), prepared.items());
    return new RoundLine(id, asked.name().strip(), true, asked.due(), now, name, prepared.items().size(), 0, (int) prepared.items().stream().map(RoundRecords.Asked::reviewer).filter(one -> one != null).distinct().count(), 0, 0);
  }

  @GetMapping("/{id}")
  RoundView round(@PathVariable long id, Principal who) {
    RoundRecords.Round round = rounds.find(id, who.getName());
    SnapshotAt moment = rounds.known(who.getName());
    StandingItems now = rounds.standing(who.getName());
    List<RoundRecords.Item> items = rounds.items(round, who.getName());
    Map<String, Instant> deliveries = records.deliveries(id);
    Map<String, List<RoundRecords.Item>> byReviewer = items.stream().collect(Collectors.groupingBy(item -> item.reviewer() == null ? "" : item.reviewer(), TreeMap::new, Collectors.toList()));
    Map<String, Integer> outcomes = new TreeMap<>();
    items.forEach(item -> outcomes.merge(Rounds.outcome(item, now), 1, Integer::sum));
    Structure structure = moment.snapshot().structure();
    String place = round.scope().place();
    return new RoundView(id, round.name(), round.closed() == null, rounds.mayRun(who.getName(), round.scope()), round.scope().kinds().stream().sorted().toList(), place,
        place == null || moment.snapshot().placeNumber(place) < 0 ? null : moment.snapshot().pathText(moment.snapshot().placeNumber(place)), round.scope().outsidersOnly(), round.needsComment(), round.due(), round.remindDays(), round.madeAt(), round.madeByName(), round.change(),
        round.closed() == null ? null : round.closed().at(), round.closed() == null ? null : round.closed().byName(), round.closed() == null ? null : round.closed().note(), items.size(),
        byReviewer.entrySet().stream().map(one -> new ReviewerProgress(one.getKey().isEmpty() ? null : one.getKey(), name(structure, one.getKey()), one.getValue().size(), (int) one.getValue().stream().filter(item -> item.decided() != null).count(),
            (int) one.getValue().stream().filter(item -> item.decided() != null && !item.decided().decision().settles()).count(),
            (int) one.getValue().stream().filter(item -> Rounds.outcome(item, now).equals("to do")).count(), deliveries.get(one.getKey()))).toList(),
        outcomes.entrySet().stream().map(one -> new OfOutcome(one.getKey(), one.getValue())).toList(), beside(items, records.before(id)), records.trail(id).stream().map(one -> new TrailLine(one.at(), one.who(), one.what())).toList(), rounds.seen(id, now));
  }

  static BesideBefore beside(List<RoundRecords.Item> items, Map<String, RoundRecords.Before> before) {
    int alike = 0;
    int otherwise = 0;
    int first = 0;
    for (RoundRecords.Item item : items) {
      RoundRecords.Before earlier = before.get(item.item().key());
      if (earlier == null) {
        first++;
      } else if (item.decided() != null && item.decided().decision().settles()) {
        alike += item.decided().decision() == earlier.decision() ? 1 : 0;
        otherwise += item.decided().decision() == earlier.decision() ? 0 : 1;
      }
    }
    return new BesideBefore(alike, otherwise, first);
  }

  /** @param outcome only those of which this has come; all if it is left out */
  @GetMapping("/{id}/items")
  Page<RoundItem> items(@PathVariable long id, @RequestParam(required = false) String outcome, @RequestParam(required = false) String reviewer, @ParameterObject PageRequest part, Principal who) {
    RoundRecords.Round round = rounds.find(id, who.getName());
    SnapshotAt moment = rounds.known(who.getName());
    StandingItems now = rounds.standing(who.getName());
    Structure structure = moment.snapshot().structure();
    List<RoundRecords.Item> found = rounds.items(round, who.getName()).stream().filter(item -> (outcome == null || outcome.equals(Rounds.outcome(item, now))) && (reviewer == null || reviewer.equals(item.reviewer() == null ? "" : item.reviewer()))
        && part.takes(item.item().sentence(), item.item().containerName(), item.decided() == null ? "" : item.decided().comment())).sorted(Comparator.comparing(RoundRecords.Item::number)).toList();
    Map<Integer, String> since = rounds.sinceAndBefore(id, part.of(found), who.getName());
    return Page.of(found, part.offset(), part.limit(), item -> view(item, now, structure, since.get(item.number())));
  }

  private static RoundItem view(RoundRecords.Item item, StandingItems now, Structure structure, String since) {
    RoundRecords.Decided decided = item.decided();
    String role = decided == null || decided.instead().role() == null ? null : structure.roles().containsKey(decided.instead().role()) ? structure.roles().get(decided.instead().role()).name() : decided.instead().role();
    return new RoundItem(item.number(), item.item().kind(), item.item().sentence(), item.item().containerName(), since, item.item().people(), item.item().outsiders(), item.reviewer(), name(structure, item.reviewer()),
        decided == null ? null : decided.decision(), role, decided == null ? null : decided.instead().until(), decided == null ? "" : decided.comment(), decided == null ? null : decided.at(), decided == null ? null : decided.byName(),
        Rounds.outcome(item, now), now.isChanged(item.item()));
  }

  /**
   * What the decisions that are handed in come to as changes, for a draft; what cannot be carried out stays open, with the reason.
   *
   * @param reviewer only what this one decided; left out, of all
   */
  @GetMapping("/{id}/changes")
  ToDraft changes(@PathVariable long id, @RequestParam(required = false) String reviewer, Principal who) {
    RoundRecords.Round round = rounds.running(id, who.getName());
    SnapshotAt moment = rounds.known(who.getName());
    StandingItems now = rounds.standing(who.getName());
    Map<String, Instant> deliveries = records.deliveries(id);
    Map<String, RoundRecords.Item> byKey = new HashMap<>();
    List<Undone> left = new ArrayList<>();
    List<CarriedOut.Decided> decided = new ArrayList<>();
    for (RoundRecords.Item item : rounds.items(round, who.getName())) {
      byKey.put(item.item().key(), item);
      // What somebody else keeps is to stay as it is, whoever's decisions are carried out.
      boolean meant = reviewer == null || reviewer.equals(item.reviewer()) || item.decided() != null && item.decided().decision() == Decision.KEEP;
      if (item.decided() == null || item.outcome() != null || !meant) {
        continue;
      }
      if (deliveries.containsKey(item.reviewer())) {
        decided.add(new CarriedOut.Decided(item.item(), item.decided().decision(), item.decided().instead()));
      } else if (Rounds.outcome(item, now).equals("to do")) {
        left.add(new Undone(item.number(), item.item().sentence(), "Its reviewer has not handed in yet."));
      }
    }
    CarriedOut carried = CarriedOut.of(moment, clock.instant(), decided, NewIds::of);
    left.addAll(undone(carried.left(), byKey));
    return new ToDraft(carried.changes().stream().map(ChangeBody::of).toList(), left, undone(carried.besides(), byKey));
  }

  private static List<Undone> undone(List<CarriedOut.Undone> undone, Map<String, RoundRecords.Item> byKey) {
    return undone.stream().map(one -> new Undone(byKey.get(one.item().key()).number(), one.item().sentence(), one.why())).toList();
  }

  @PostMapping("/{id}/delegation")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void delegate(@PathVariable long id, @Valid @RequestBody Delegation asked, Principal who) {
    RoundRecords.Round round = rounds.running(id, who.getName());
    Structure structure = rounds.known(who.getName()).snapshot().structure();
    String to = name(structure, asked.to());
    if (to == null) {
      throw Problem.notFound("person", asked.to());
    }
    Map<Integer, RoundRecords.Item> known = rounds.items(round, who.getName()).stream().collect(Collectors.toMap(RoundRecords.Item::number, item -> item));
    Set<Integer> numbers = new LinkedHashSet<>(asked.numbers());
    List<Problem.Fault> faults = new ArrayList<>();
    for (Integer number : numbers) {
      RoundRecords.Item item = known.get(number);
      if (item == null) {
        faults.add(new Problem.Fault("item " + number, "There is no such item in the round.", "Reload the page."));
      } else if (!rounds.mayReview(asked.to(), item.item(), who.getName())) {
        faults.add(new Problem.Fault("item " + number, to + " cannot review this: it is about their own access, or they may not know of it.", "Choose somebody else for it."));
      }
    }
    if (!faults.isEmpty()) {
      throw Problem.faults("The items were not given to " + to + ".", faults);
    }
    if (!records.delegate(id, numbers, asked.to(), who.getName(), rounds.nameOf(who.getName()), "gave " + numbers.size() + (numbers.size() == 1 ? " item to " : " items to ") + to, clock.instant())) {
      throw Problem.of(HttpStatus.CONFLICT, "not-given", "Not given", to + " has handed in already, or one of the items is settled and handed in by its reviewer. Reload the page.");
    }
  }

  /** Writes to whoever still has items to decide; to nobody else. Returns how many letters. */
  @PostMapping("/{id}/reminders")
  Map<String, Integer> remind(@PathVariable long id, Principal who) {
    RoundRecords.Round round = rounds.running(id, who.getName());
    return Map.of("sent", reminders.send(round, who.getName(), rounds.nameOf(who.getName())));
  }

  /** Signs it off: what has come of each item is written down as it is now, and nothing of the round is altered any more. */
  @PostMapping("/{id}/closing")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void close(@PathVariable long id, @Valid @RequestBody Closing closing, Principal who) {
    new Written().text("note", closing.note()).refuse("The round was not closed.");
    RoundRecords.Round round = rounds.running(id, who.getName());
    RoundRecords.Standing seen = records.standing(id);
    StandingItems now = rounds.standing(who.getName());
    Map<Integer, String> outcomes = new HashMap<>();
    if (!rounds.seen(id, now).equals(closing.seen())) {
      throw moved();
    }
    records.items(round.id()).forEach(item -> outcomes.put(item.number(), Rounds.outcome(item, now)));
    if (!records.close(id, who.getName(), rounds.nameOf(who.getName()), closing.note().strip(), seen, outcomes, clock.instant())) {
      throw moved();
    }
  }

  private static Problem moved() {
    return Problem.of(HttpStatus.CONFLICT, "round-moved", "Not closed", "Something was decided, handed in, carried out or closed since the page was shown. Look at it again, then close it.");
  }
}
