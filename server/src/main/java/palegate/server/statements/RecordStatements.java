package palegate.server.statements;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import palegate.core.duties.Duty;
import palegate.core.journal.Between;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.snapshot.Snapshot;
import palegate.core.statements.Recipe;
import palegate.core.statements.RefusedRecipe;
import palegate.core.statements.StatementKind;
import palegate.core.statements.StatementTable;
import palegate.core.statements.StatementTable.Column;
import palegate.core.structure.Structure;
import palegate.core.text.Counted;
import palegate.server.rounds.RoundEvidence;
import palegate.server.shell.Problem;
import palegate.server.store.ChangeLog;
import palegate.server.store.History;
import palegate.server.store.Openings;
import palegate.server.viewpoint.KnownBetween;
import palegate.server.viewpoint.KnownChanges;
import palegate.server.viewpoint.Viewpoints;

/** The statements that are made from what the server keeps: changes, openings, and the difference between two instants. */
@Component
class RecordStatements {
  private static final DateTimeFormatter WHEN = DateTimeFormatter.ofPattern("uuuu-MM-dd HH:mm", Locale.UK).withZone(ZoneOffset.UTC);
  private static final int DAYS_USUALLY = 28;
  private static final int OPENINGS_AT_MOST = 200_000;
  /** Over more changes than can be held, what did it is told of so many people at places. */
  private static final int PAIRS_AT_MOST = 20_000;

  private final ChangeLog log;
  private final KnownBetween knownBetween;
  private final Openings openings;
  private final Viewpoints viewpoints;
  private final KnownChanges knownChanges;
  private final RoundEvidence rounds;

  RecordStatements(ChangeLog log, KnownBetween knownBetween, Openings openings, Viewpoints viewpoints, KnownChanges knownChanges, RoundEvidence rounds) {
    this.log = log;
    this.knownBetween = knownBetween;
    this.openings = openings;
    this.viewpoints = viewpoints;
    this.knownChanges = knownChanges;
    this.rounds = rounds;
  }

  /** @param until where the stretch of time ends; the recipe says where it begins, or it is four weeks */
  StatementTable of(Recipe recipe, Instant until, Snapshot state, String account) {
    Instant from = recipe.from() == null ? until.minus(DAYS_USUALLY, ChronoUnit.DAYS) : recipe.from();
    if (recipe.kind() == StatementKind.ROUND) {
      return rounds.of(recipe.id(), account);
    }
    if (!from.isBefore(until)) {
      throw new RefusedRecipe("from", "The stretch of time begins when it ends, or later.", "Choose an earlier day for its beginning.");
    }
    return switch (recipe.kind()) {
      case CHANGES -> changes(from, until, account);
      case OPENINGS -> openings(recipe, from, until, state, account);
      default -> difference(recipe, from, until, account);
    };
  }

  private StatementTable changes(Instant from, Instant until, String account) {
    Map<Long, KnownChanges.Known> known = knownChanges.to(account);
    long after = log.inForceAt(from.minus(1, ChronoUnit.MICROS));
    long upTo = log.inForceAt(until);
    Map<Long, List<ChangeLog.Approved>> approvals = log.approvalsBetween(after, upTo);
    List<ChangeLog.Logged> changes = log.between(after, upTo).stream().filter(change -> known == null || known.containsKey(change.number()))
        .map(change -> KnownChanges.told(change, known)).toList();
    Map<String, String> counts = new LinkedHashMap<>();
    counts.put("Changes", Integer.toString(changes.size()));
    return new StatementTable("What was put in force from " + WHEN.format(from) + " until " + WHEN.format(until), counts, List.of(new Column("number", "Change", 9, true, true), new Column("at", "When", 16, false, false),
        new Column("by", "By", 26, false, false), new Column("note", "Why", 80, false, false), new Column("scheduled", "Scheduled for", 16, false, false), new Column("approved", "Agreed to by", 40, false, false)),
        () -> changes.stream().map(change -> new StatementTable.Row(List.of(Long.toString(change.number()), WHEN.format(change.at()), change.authorName(), change.note(),
            change.scheduledFor() == null ? "" : WHEN.format(change.scheduledFor()), approvals.getOrDefault(change.number(), List.of()).stream().map(ChangeLog.Approved::name).collect(Collectors.joining(", "))))));
  }

  /** Who opened what is for those who audit, or who keep the walls. */
  private StatementTable openings(Recipe recipe, Instant from, Instant until, Snapshot snapshot, String account) {
    if (!viewpoints.asker(account).holdsAny(Duty.AUDIT, Duty.WALLS)) {
      throw Problem.of(HttpStatus.FORBIDDEN, "duty-missing", "Another duty is needed", "Who opened what is told to holders of the duty [audit] or [walls].");
    }
    String where = where(snapshot, recipe.id());
    Structure structure = snapshot.structure();
    Set<String> below = atAndBelow(snapshot, recipe.id());
    List<Openings.Recorded> all = openings.between(from, until, OPENINGS_AT_MOST + 1);
    if (all.size() > OPENINGS_AT_MOST) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "too-many-openings", "Too many openings", "There are more than " + OPENINGS_AT_MOST + " openings in that time. Choose days closer to each other.");
    }
    List<Openings.Recorded> recorded = all.stream().filter(one -> below.contains(one.place()) && structure.people().containsKey(one.person())).toList();
    Map<String, String> counts = new LinkedHashMap<>();
    counts.put("Openings", Integer.toString(recorded.size()));
    counts.put("People", Long.toString(recorded.stream().map(Openings.Recorded::person).distinct().count()));
    counts.put("Documents", Long.toString(recorded.stream().map(Openings.Recorded::place).distinct().count()));
    return new StatementTable("Who opened what" + where + " from " + WHEN.format(from) + " until " + WHEN.format(until), counts, List.of(new Column("at", "When", 16, false, true), new Column("person", "Person", 28, false, true),
        new Column("standing", "Staff or outsider", 15, false, false), new Column("document", "Document", 90, false, true), new Column("how", "How", 14, false, false)),
        () -> recorded.stream().map(one -> new StatementTable.Row(List.of(WHEN.format(one.at()), structure.people().get(one.person()).name(), structure.people().get(one.person()).external() ? "outsider" : "staff",
            snapshot.pathText(snapshot.placeNumber(one.place())), switch (one.how()) {
              case OPEN -> "opened";
              case COPY -> "took a copy";
              case REFUSED -> "was refused";
            }))));
  }

  private StatementTable difference(Recipe recipe, Instant from, Instant until, String account) {
    Between between = knownBetween.ofEach(account, from, until);
    Map<Long, KnownChanges.Known> known = knownChanges.to(account);
    Map<Long, String> notes = log.notes(between.numbers().filter(number -> known == null || known.get(number) == KnownChanges.Known.ALL).toList());
    Snapshot last = between.last();
    String where = where(last, recipe.id());
    // What has gone since is told by where it stood at the beginning.
    Set<String> below = new HashSet<>(atAndBelow(last, recipe.id()));
    below.addAll(atAndBelow(between.first(), recipe.id()));
    if (between.changes() > History.CHANGES_AT_MOST && between.difference().pairs().filter(pair -> below.contains(pair.place().id())).limit(PAIRS_AT_MOST + 1L).count() > PAIRS_AT_MOST) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "too-many-changes", "Too many changes at once", Counted.of(between.changes(), "change lies", "changes lie") + " between the two days, and more than " + PAIRS_AT_MOST
          + " rows would have to say which of them did it. Choose days closer to each other or a smaller place, or look at it page by page under Journal, Between two days.");
    }
    Map<String, String> counts = counts(between, below);
    return new StatementTable("Who gained and lost what" + where + " from " + WHEN.format(from) + " until " + WHEN.format(until), counts, List.of(new Column("person", "Person", 26, false, true), new Column("standing", "Staff or outsider", 12, false, false),
        new Column("place", "Place", 60, false, true), new Column("gained", "Gained", 24, false, false), new Column("lost", "Lost", 24, false, false), new Column("by", "By which change", 50, false, false)),
        () -> between.caused(between.difference().pairs().filter(pair -> below.contains(pair.place().id()))).map(caused -> {
          RightsDifference.Pair pair = caused.pair();
          return new StatementTable.Row(List.of(pair.person().name(), pair.person().external() ? "outsider" : "staff", pair.path(), pair.after().minus(pair.before()).toString(), pair.before().minus(pair.after()).toString(),
              words(caused.causes(), notes)));
        }));
  }

  private static Map<String, String> counts(Between between, Set<String> below) {
    Set<String> gaining = new HashSet<>();
    Set<String> losing = new HashSet<>();
    Set<String> documents = new HashSet<>();
    between.difference().pairs().filter(pair -> below.contains(pair.place().id())).forEach(pair -> {
      if (!pair.after().minus(pair.before()).isEmpty()) {
        gaining.add(pair.person().id());
      }
      if (!pair.before().minus(pair.after()).isEmpty()) {
        losing.add(pair.person().id());
      }
      if (pair.place().isDocument()) {
        documents.add(pair.place().id());
      }
    });
    Map<String, String> counts = new LinkedHashMap<>();
    counts.put("People who gained", Integer.toString(gaining.size()));
    counts.put("People who lost", Integer.toString(losing.size()));
    counts.put("Documents", Integer.toString(documents.size()));
    return counts;
  }

  /** " at X and below" where a place is named, which has to be there; else nothing. */
  private static String where(Snapshot snapshot, String id) {
    int top = id.isEmpty() ? 0 : snapshot.placeNumber(id);
    if (top < 0) {
      throw new RefusedRecipe("id", "There is no place [" + id + "].", "Name a place by its id.");
    }
    return id.isEmpty() ? "" : " at " + snapshot.pathText(top) + " and below";
  }

  /** By their ids: names can be the same. */
  private static Set<String> atAndBelow(Snapshot snapshot, String id) {
    int top = id.isEmpty() ? snapshot.structure().repository().map(repository -> snapshot.placeNumber(repository.id())).orElse(-1) : snapshot.placeNumber(id);
    return top < 0 ? Set.of() : IntStream.concat(IntStream.of(top), snapshot.below(top)).mapToObj(place -> snapshot.place(place).id()).collect(Collectors.toSet());
  }

  private static String words(List<Between.Cause> causes, Map<Long, String> notes) {
    List<String> words = new ArrayList<>();
    for (Between.Cause cause : causes) {
      if (cause instanceof Between.Cause.OfChange of) {
        String note = notes.getOrDefault(of.change(), "");
        words.add("change " + of.change() + (note.isEmpty() ? "" : ", " + note));
      } else {
        words.add("a date that passed");
      }
    }
    return String.join("; ", words);
  }
}
