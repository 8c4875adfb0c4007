package palegate.server.rounds;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import palegate.core.rounds.StandingItems;
import palegate.core.statements.StatementTable;
import palegate.core.statements.StatementTable.Column;
import palegate.core.structure.Structure;
import palegate.server.shell.Problem;
import palegate.server.store.RoundRecords;

/** A round as evidence: who decided what when on what facts, and what has come of it. */
@Component
public class RoundEvidence {
  private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm", Locale.UK).withZone(ZoneOffset.UTC);

  private final Rounds rounds;
  private final RoundRecords records;

  RoundEvidence(Rounds rounds, RoundRecords records) {
    this.rounds = rounds;
    this.records = records;
  }

  /** Of a round that somebody may look at, as far as they may know what it is about. */
  public StatementTable of(String number, String account) {
    if (!rounds.mayLookAtAny(account)) {
      throw Problem.of(HttpStatus.FORBIDDEN, "duty-missing", "Another duty is needed", "What a round decided is told to holders of the duty [rounds] or [audit].");
    }
    RoundRecords.Round round = rounds.find(id(number), account);
    Structure structure = rounds.known(account).snapshot().structure();
    StandingItems now = rounds.standing(account);
    List<RoundRecords.Item> items = rounds.items(round, account);
    Map<String, Instant> deliveries = records.deliveries(round.id());
    Map<Integer, String> since = rounds.since(items, account);
    Map<String, Integer> outcomes = new TreeMap<>();
    items.forEach(item -> outcomes.merge(Rounds.outcome(item, now), 1, Integer::sum));
    Map<String, String> counts = new LinkedHashMap<>();
    counts.put("Round", round.name() + ", begun " + WHEN.format(round.madeAt()) + " by " + round.madeByName() + " on change " + round.change() + ", due " + WHEN.format(round.due()));
    counts.put("Signed off", round.closed() == null ? "not yet" : WHEN.format(round.closed().at()) + " by " + round.closed().byName() + ": " + round.closed().note());
    counts.put("Items", items.size() + ": " + String.join(", ", outcomes.entrySet().stream().map(one -> one.getValue() + " " + one.getKey()).toList()));
    RoundsController.BesideBefore beside = RoundsController.beside(items, records.before(round.id()));
    counts.put("Beside the rounds before", beside.alike() + " decided alike, " + beside.otherwise() + " otherwise, " + beside.first() + " for the first time");
    return new StatementTable("Round of review: " + round.name(), counts, List.of(new Column("number", "No.", 5, true, true), new Column("what", "What was asked", 50, false, false), new Column("since", "Since", 22, false, false), new Column("people", "People", 7, true, false),
        new Column("outsiders", "Outsiders", 9, true, false), new Column("reviewer", "Reviewer", 18, false, false), new Column("decision", "Decision", 10, false, false), new Column("to", "To", 16, false, false), new Column("comment", "Comment", 26, false, false),
        new Column("decidedAt", "Decided", 14, false, false), new Column("handedIn", "Handed in", 11, false, false), new Column("outcome", "What came of it", 12, false, false)),
        () -> items.stream().map(item -> new StatementTable.Row(cells(item, structure, now, deliveries, since.get(item.number())))));
  }

  private static long id(String number) {
    try {
      return Long.parseLong(number);
    } catch (NumberFormatException none) {
      throw Problem.notFound("round", number);
    }
  }

  private static List<String> cells(RoundRecords.Item item, Structure structure, StandingItems now, Map<String, Instant> deliveries, String since) {
    RoundRecords.Decided decided = item.decided();
    List<String> to = new ArrayList<>();
    if (decided != null && decided.instead().role() != null) {
      to.add(structure.roles().containsKey(decided.instead().role()) ? structure.roles().get(decided.instead().role()).name() : decided.instead().role());
    }
    if (decided != null && decided.instead().until() != null) {
      to.add("until " + WHEN.format(decided.instead().until()));
    }
    Instant handedIn = item.reviewer() == null ? null : deliveries.get(item.reviewer());
    String reviewer = item.reviewer() == null ? "nobody" : structure.people().containsKey(item.reviewer()) ? structure.people().get(item.reviewer()).name() : decided == null ? "" : decided.byName();
    return List.of(Integer.toString(item.number()), item.item().sentence(), since, Integer.toString(item.item().people()), Integer.toString(item.item().outsiders()), reviewer, decided == null ? "none" : decided.decision().words(), String.join(", ", to),
        decided == null ? "" : decided.comment(), decided == null ? "" : WHEN.format(decided.at()), handedIn == null ? "" : WHEN.format(handedIn), Rounds.outcome(item, now));
  }
}
