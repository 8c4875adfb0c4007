package palegate.exports;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import palegate.core.statements.StatementDigest;
import palegate.core.statements.StatementIdentity;
import palegate.core.statements.StatementTable;

/** A statement as a sheet for files, with a cover that says what it is and how to read it, and a seal by which it can be checked. */
public final class StatementSheet {
  private static final DateTimeFormatter INSTANT = DateTimeFormatter.ofPattern("d MMMM uuuu, HH:mm:ss 'UTC'", Locale.UK).withZone(ZoneOffset.UTC);

  private StatementSheet() {}

  /** @param madeBy who asked, and when; for the cover */
  public static Sheet of(StatementTable table, StatementIdentity identity, String madeBy, boolean ahead) {
    Map<String, String> facts = new LinkedHashMap<>();
    facts.put("What it says", table.title());
    if (identity.recipe().from() != null) {
      facts.put("From", INSTANT.format(identity.recipe().from()));
    }
    facts.put(identity.recipe().from() == null ? "As of" : "Until", moment(identity.at()) + (ahead ? ", ahead: if nothing is changed until then; what begins and ends by date is applied" : ""));
    facts.put("State", identity.state());
    facts.put("Made by", madeBy);
    facts.put("Rights shown", identity.recipe().now() ? "Rights now: private, frozen and checked-out documents count" : "Standing rights: what the structure gives, conditions of documents aside");
    facts.putAll(table.counts());
    if (!identity.recipe().documents()) {
      facts.put("Documents", "Left out; libraries and folders only");
    }
    facts.put("How to read it", "Totals are totals of what its maker may know. Times are UTC. An end is the first moment that does not count any more.");
    StatementDigest digest = new StatementDigest(identity.recipe(), identity.at(), table.columns());
    return new Sheet(fileName(table, identity), table.title(), facts, table.columns().stream().map(column -> new Sheet.Column(column.key(), column.title(), column.width(), column.number())).toList(),
        table.rows().get().map(StatementTable.Row::cells).peek((List<String> cells) -> digest.add(cells)), () -> identity.digested(digest.finish()).text());
  }

  public static String moment(Instant instant) {
    return INSTANT.format(instant);
  }

  private static String fileName(StatementTable table, StatementIdentity identity) {
    String name = table.title().toLowerCase(Locale.ROOT).replaceAll("[^a-z0-9]+", "-").replaceAll("^-|-$", "");
    String state = identity.change().map(change -> "-change-" + change).orElse("");
    return "pale-gate-" + (name.length() > 80 ? name.substring(0, 80) : name) + state;
  }
}
