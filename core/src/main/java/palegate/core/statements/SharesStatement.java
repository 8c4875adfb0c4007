package palegate.core.statements;

import java.util.Arrays;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import palegate.core.shares.SharesRegister;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;

/** What people let others in by (access rules, section 11): every share and every pass, with who made it, for whom, what it gives and until when. */
final class SharesStatement {
  private SharesStatement() {}

  static StatementTable of(AskedStatement asked) {
    BitSet places = new BitSet();
    Arrays.stream(asked.places()).forEach(places::set);
    List<SharesRegister.Row> rows = SharesRegister.of(asked.moment()).stream().filter(row -> places.get(row.place())).toList();
    Map<String, String> counts = new LinkedHashMap<>();
    counts.put("Shares", Long.toString(rows.stream().filter(row -> row.kind() == SharesRegister.Kind.SHARE).count()));
    counts.put("Passes", Long.toString(rows.stream().filter(row -> row.kind() == SharesRegister.Kind.PASS).count()));
    counts.put("Without an end", Long.toString(rows.stream().filter(SharesRegister.Row::openEnded).count()));
    counts.put("Reach outsiders", Long.toString(rows.stream().filter(row -> row.outsiders() > 0).count()));
    return new StatementTable("What is shared, and by which passes" + asked.where(), counts, List.of(
        StatementTable.Column.key("place", "Place", 50), StatementTable.Column.key("kind", "Kind", 6), StatementTable.Column.key("for", "For", 26), StatementTable.Column.key("role", "Role", 10), StatementTable.Column.key("maker", "By", 18),
        StatementTable.Column.key("from", "From", 16), StatementTable.Column.text("until", "Until", 16), StatementTable.Column.text("state", "Now", 9), StatementTable.Column.number("people", "People", 7),
        StatementTable.Column.number("outsiders", "Outsiders", 9), StatementTable.Column.text("opened", "Opened by", 9), StatementTable.Column.text("note", "Note", 24)), () -> rows.stream().map(row -> row(asked, row)));
  }

  private static StatementTable.Row row(AskedStatement asked, SharesRegister.Row row) {
    Structure structure = asked.structure();
    boolean pass = row.kind() == SharesRegister.Kind.PASS;
    return new StatementTable.Row(List.of(asked.snapshot().pathText(row.place()), pass ? "pass" : "share", row.subjects().stream().map(subject -> SubjectNames.of(subject, structure)).collect(Collectors.joining(", ")),
        structure.roles().get(row.role()).name(), row.maker() == null || !structure.people().containsKey(row.maker()) ? "" : structure.people().get(row.maker()).name(), StatementWords.when(row.period().from()),
        StatementWords.when(row.period().until()), StatementWords.state(row.period(), asked.instant()), Integer.toString(row.people()), Integer.toString(row.outsiders()), !pass ? "" : row.opened() + (row.uses() == null ? "" : " of " + row.uses()), row.note() == null ? "" : row.note()));
  }
}
