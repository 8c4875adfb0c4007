package palegate.server.rounds;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import palegate.core.certificates.Certificate;
import palegate.core.duties.Duty;
import palegate.core.rounds.Decision;
import palegate.core.rounds.ItemKind;
import palegate.core.rounds.LastUse;
import palegate.core.rounds.ReviewItem;
import palegate.core.rounds.ReviewItems;
import palegate.core.rounds.ReviewScope;
import palegate.core.rounds.Reviewers;
import palegate.core.rounds.StandingItems;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.viewpoint.Asker;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.session.Accounts;
import palegate.server.shell.Problem;
import palegate.server.store.ChangeLog;
import palegate.server.store.ItemHistory;
import palegate.server.store.Openings;
import palegate.server.store.RoundRecords;
import palegate.server.store.Snapshots;
import palegate.server.viewpoint.KnownChanges;
import palegate.server.viewpoint.Viewpoints;

/** Rounds as somebody may know them: who may run which, what they ask, and what has come of it. */
@Service
class Rounds {
  private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM uuuu", Locale.UK).withZone(ZoneOffset.UTC);
  /** Where so many people opened so much, it is not said when something was last of use. */
  private static final int OPENINGS_AT_MOST = 200_000;
  private static final Duration TELLS_AFTER = Duration.ofDays(28);
  private static final int ITEMS_AT_MOST = 20_000;
  private static final int DIGEST = 40;

  /** What a round would ask, and of whom. */
  record Prepared(List<RoundRecords.Asked> items, long change) {}

  private final RoundRecords records;
  private final ItemHistory history;
  private final Openings openings;
  private final ChangeLog log;
  private final Viewpoints viewpoints;
  private final KnownChanges knownChanges;
  private final Accounts accounts;
  private final Clock clock;

  Rounds(RoundRecords records, ItemHistory history, Openings openings, ChangeLog log, Viewpoints viewpoints, KnownChanges knownChanges, Accounts accounts, Clock clock) {
    this.records = records;
    this.history = history;
    this.openings = openings;
    this.log = log;
    this.viewpoints = viewpoints;
    this.knownChanges = knownChanges;
    this.accounts = accounts;
    this.clock = clock;
  }

  String nameOf(String account) {
    return accounts.nameOf(account);
  }

  SnapshotAt known(String account) {
    return viewpoints.known(account).snapshot().at(clock.instant());
  }

  /** What stands at no place is for whoever runs reviews of the whole repository. */
  boolean mayRun(String account, ReviewScope scope) {
    Asker asker = viewpoints.asker(account);
    boolean placesOnly = scope.kinds().stream().allMatch(ItemKind::atPlaces);
    return asker.holdsEverywhere(Duty.ROUNDS) || placesOnly && scope.place() != null && asker.holdsAt(Duty.ROUNDS, viewpoints.of(account).snapshot().structure(), scope.place());
  }

  private boolean mayLook(String account, RoundRecords.Round round) {
    return round.madeBy().equals(account) || viewpoints.asker(account).holds(Duty.AUDIT) || mayRun(account, round.scope());
  }

  boolean mayLookAtAny(String account) {
    return viewpoints.asker(account).holdsAny(Duty.ROUNDS, Duty.AUDIT);
  }

  /** Newest first. */
  List<RoundRecords.Round> shownTo(String account) {
    return records.all().stream().filter(round -> mayLook(account, round)).toList();
  }

  /** A round that somebody may look at. */
  RoundRecords.Round find(long id, String account) {
    return records.find(id).filter(round -> mayLook(account, round)).orElseThrow(() -> Problem.notFound("round", Long.toString(id)));
  }

  /** One that they may run, and that is open. */
  RoundRecords.Round running(long id, String account) {
    RoundRecords.Round round = find(id, account);
    if (!mayRun(account, round.scope())) {
      throw Problem.of(HttpStatus.FORBIDDEN, "duty-missing", "Another duty is needed", "This takes the duty [rounds] over what the round asks about.");
    }
    if (round.closed() != null) {
      throw Problem.of(HttpStatus.CONFLICT, "round-closed", "The round is closed", "It was closed on " + DAY.format(round.closed().at()) + " by " + round.closed().byName() + ". Begin another one.");
    }
    return round;
  }

  /** The items as far as somebody may know today what they are about. */
  List<RoundRecords.Item> items(RoundRecords.Round round, String account) {
    return items(List.of(round), account).getOrDefault(round.id(), List.of());
  }

  /** Of several rounds, by their numbers. */
  Map<Long, List<RoundRecords.Item>> items(List<RoundRecords.Round> rounds, String account) {
    Viewpoint viewpoint = viewpoints.of(account);
    Map<Long, List<RoundRecords.Item>> items = records.items(rounds.stream().map(RoundRecords.Round::id).toList());
    items.replaceAll((round, all) -> all.stream().filter(item -> knows(viewpoint, item.item())).toList());
    return items;
  }

  private static boolean knows(Viewpoint viewpoint, ReviewItem item) {
    if (viewpoint.whole()) {
      return true;
    }
    Structure known = viewpoint.snapshot().structure();
    boolean subject = switch (item.subject().kind()) {
      case "person" -> known.people().containsKey(item.subject().id());
      case "group" -> known.groups().containsKey(item.subject().id());
      case "unit" -> known.units().containsKey(item.subject().id());
      default -> true;
    };
    return subject && switch (item.kind()) {
      case GRANT, OVERSIGHT, ACCESS, PASS -> known.places().containsKey(item.container());
      case MEMBERSHIP -> known.groups().containsKey(item.container());
      case EXCEPTION -> known.walls().containsKey(item.container());
      case CLEARANCE -> known.types().containsKey(item.container());
      case DUTY -> known.duties().containsKey(item.key().substring("duty:".length())) || viewpoint.asker().holdsAny(Duty.SYSTEM, Duty.AUDIT);
    };
  }

  /** What a round would ask of whom, in the order in which it is read. Nothing is kept. */
  Prepared prepare(ReviewScope scope, Reviewers.Rule rule, String named, String standIn, String account) {
    if (!mayRun(account, scope)) {
      throw Problem.of(HttpStatus.FORBIDDEN, "duty-missing", "Another duty is needed", "Your duty [rounds] does not cover this. What stands at no place takes it over the whole repository; name a place that it covers.");
    }
    Snapshots.Numbered state = viewpoints.known(account);
    Snapshot snapshot = state.snapshot();
    List<Problem.Fault> faults = new ArrayList<>();
    if (scope.place() != null && snapshot.placeNumber(scope.place()) < 0) {
      faults.add(new Problem.Fault("place", "There is no place [" + scope.place() + "].", "Choose another one."));
    }
    scope.groups().stream().filter(group -> !snapshot.structure().groups().containsKey(group)).forEach(group -> faults.add(new Problem.Fault("groups", "There is no group [" + group + "].", "Choose another one.")));
    for (String person : new String[] {named, standIn}) {
      if (person != null && snapshot.personNumber(person) < 0) {
        faults.add(new Problem.Fault("reviewer", "There is no person [" + person + "].", "Choose another one."));
      }
    }
    if (!faults.isEmpty()) {
      throw Problem.faults("The round cannot be prepared; each point is listed.", faults);
    }
    SnapshotAt moment = snapshot.at(clock.instant());
    List<ReviewItem> items = ReviewItems.of(moment, scope);
    if (items.size() > ITEMS_AT_MOST) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "too-many-items", "Too many items", "The round would ask about more than " + ITEMS_AT_MOST + " things. Take a part of the repository, or what concerns outsiders.");
    }
    Map<String, ItemHistory.Since> since = history.since();
    StandingItems standing = StandingItems.in(moment, clock.instant());
    items.stream().filter(item -> item.kind() == ItemKind.ACCESS).forEach(item -> ofWays(standing.ways(item), since).ifPresent(came -> since.put(item.key(), came)));
    Set<String> changed = records.all().stream().filter(round -> round.closed() != null && Objects.equals(round.scope().place(), scope.place())).max(Comparator.comparing(RoundRecords.Round::madeAt))
        .map(last -> changedSince(last, items, since)).orElse(Set.of());
    Map<String, String> reviewers = Reviewers.assign(moment, items, rule, named, standIn);
    return new Prepared(ReviewItems.inReadingOrder(items, changed).stream().map(item -> new RoundRecords.Asked(item, reviewers.get(item.key()), words(since.get(item.key()), changed.contains(item.key())), since.containsKey(item.key()) ? since.get(item.key()).change() : null)).toList(), state.change());
  }

  /** Since when somebody has had something by one way or another: the first way that was whole; empty if one of them is not known. */
  private static Optional<ItemHistory.Since> ofWays(List<List<String>> ways, Map<String, ItemHistory.Since> since) {
    if (ways.isEmpty() || !ways.stream().allMatch(way -> since.keySet().containsAll(way))) {
      return Optional.empty();
    }
    Comparator<ItemHistory.Since> byChange = Comparator.comparing(ItemHistory.Since::change);
    return ways.stream().map(way -> way.stream().map(since::get).max(byChange).orElseThrow()).min(byChange);
  }

  /** What came later than the last round was begun; of what people have, what that round did not ask about just so. */
  private Set<String> changedSince(RoundRecords.Round last, List<ReviewItem> items, Map<String, ItemHistory.Since> since) {
    Map<String, String> asked = records.items(last.id()).stream().collect(Collectors.toMap(item -> item.item().key(), item -> item.item().digest()));
    return items.stream().filter(item -> item.kind() == ItemKind.ACCESS ? last.scope().kinds().contains(ItemKind.ACCESS) && !item.digest().equals(asked.get(item.key()))
        : !since.containsKey(item.key()) || since.get(item.key()).at().isAfter(last.madeAt())).map(ReviewItem::key).collect(Collectors.toSet());
  }

  private static String words(ItemHistory.Since since, boolean changed) {
    return since == null ? changed ? "Changed since the last round" : "" : (changed ? "New since the last round: " : "Since ") + DAY.format(since.at()) + " by " + since.author();
  }

  /** Since when each item is there, by whom, and why: a note is told to those alone who may know all that its change was about. */
  Map<Integer, String> since(List<RoundRecords.Item> items, String account) {
    Map<Long, KnownChanges.Known> known = knownChanges.to(account);
    Map<Long, String> notes = log.notes(items.stream().map(RoundRecords.Item::sinceChange).filter(change -> change != null && (known == null || known.get(change) == KnownChanges.Known.ALL)).distinct().toList());
    Map<Integer, String> since = new HashMap<>();
    items.forEach(item -> {
      String note = item.sinceChange() == null ? "" : notes.getOrDefault(item.sinceChange(), "");
      since.put(item.number(), item.since() + (note.isEmpty() ? "" : ": " + note));
    });
    return since;
  }

  /** The same, and what was decided about it in the round before. */
  Map<Integer, String> sinceAndBefore(long round, List<RoundRecords.Item> items, String account) {
    Map<Integer, String> since = since(items, account);
    Map<String, RoundRecords.Before> before = records.before(round);
    lastUses(items, account).forEach((number, words) -> since.merge(number, words, Rounds::joined));
    items.stream().filter(item -> before.containsKey(item.item().key())).forEach(item -> {
      RoundRecords.Before earlier = before.get(item.item().key());
      since.merge(item.number(), "Decided before, " + DAY.format(earlier.at()) + ": " + earlier.decision().words(), Rounds::joined);
    });
    return since;
  }

  private static String joined(String words, String more) {
    return words.isEmpty() ? more : words + (words.endsWith(".") ? " " : ". ") + more;
  }

  /** Of what the asker may know: a document that they do not was not opened. */
  private Map<Integer, String> lastUses(List<RoundRecords.Item> items, String account) {
    Map<Integer, String> uses = new HashMap<>();
    Optional<Instant> recorded = openings.recordedFrom();
    if (recorded.isEmpty() || items.isEmpty()) {
      return uses;
    }
    SnapshotAt moment = known(account);
    LastUse lastUse = LastUse.in(moment);
    Map<Integer, List<String>> people = new HashMap<>();
    items.forEach(item -> people.put(item.number(), lastUse.people(item.item())));
    Optional<Map<String, List<LastUse.Opening>>> opened = openings.lastBy(people.values().stream().flatMap(List::stream).collect(Collectors.toSet()), OPENINGS_AT_MOST);
    if (opened.isEmpty()) {
      return uses;
    }
    Map<String, List<LastUse.Opening>> byPerson = opened.get();
    // That something was not used says little of a time in which hardly anything was written down.
    boolean longEnough = recorded.get().isBefore(clock.instant().minus(TELLS_AFTER));
    items.stream().filter(item -> !people.get(item.number()).isEmpty()).forEach(item -> lastUse.of(item.item(), byPerson).map(last -> "Last used " + DAY.format(last))
        .or(() -> longEnough ? Optional.of("Not used since " + DAY.format(recorded.get()) + ", when openings began to be written down") : Optional.empty()).ifPresent(words -> uses.put(item.number(), words)));
    return uses;
  }

  /**
   * What has come of a decision, in a word: open, kept, to do, carried out.
   *
   * @param now what stands there now
   */
  static String outcome(RoundRecords.Item item, StandingItems now) {
    if (item.outcome() != null) {
      return item.outcome();
    }
    RoundRecords.Decided decided = item.decided();
    if (decided == null) {
      return "open";
    }
    if (!decided.decision().settles()) {
      return decided.decision() == Decision.ASK ? "asked" : "not theirs";
    }
    if (decided.decision() == Decision.KEEP) {
      return now.has(item.item()) ? "kept" : "kept, and gone since";
    }
    return now.isCarriedOut(item.item(), decided.decision(), decided.instead()) ? "carried out" : "to do";
  }

  /** What has become by now of items that somebody knows. */
  StandingItems standing(String account) {
    return StandingItems.in(viewpoints.asker(account).state(), clock.instant());
  }

  /**
   * By which what was shown of a round is known again: who is asked what, what they decided and handed in, and what has come of it. Of all
   * items, whether or not whoever looks may know them: it says nothing but that something is another.
   */
  String seen(long round, StandingItems now) {
    List<String> all = new ArrayList<>(List.of(records.standing(round).toString()));
    records.items(round).forEach(item -> all.add(item.number() + "|" + item.reviewer() + "|" + (item.decided() == null ? "" : item.decided().decision() + "|" + item.decided().instead()) + "|" + outcome(item, now)));
    return digest(all);
  }

  /** Short, and another one for other lines. */
  static String digest(List<String> lines) {
    return Certificate.digest(String.join("\n", lines).getBytes(StandardCharsets.UTF_8)).substring("sha256:".length(), DIGEST);
  }

  boolean mayReview(String person, ReviewItem item, String account) {
    SnapshotAt moment = viewpoints.asker(account).state();
    return Reviewers.mayReview(moment, moment.snapshot().personNumber(person), item);
  }
}
