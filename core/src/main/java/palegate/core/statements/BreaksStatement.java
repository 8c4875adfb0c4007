package palegate.core.statements;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import palegate.core.questions.BreakRegister;
import palegate.core.roles.Right;

/** Every place that stands alone, with what its break gives and keeps. */
final class BreaksStatement {
  private BreaksStatement() {}

  static StatementTable of(AskedStatement asked) {
    List<BreakRegister.Break> breaks = asked.place() < 0 ? List.of() : BreakRegister.of(asked.moment(), asked.place()).stream()
        .sorted(Comparator.comparing(BreakRegister.Break::number, asked.snapshot().inTreeOrder())).toList();
    Map<String, String> counts = new LinkedHashMap<>();
    counts.put("Places that stand alone", Integer.toString(breaks.size()));
    counts.put("Of these the same as above, at the place itself", Long.toString(breaks.stream().filter(BreakRegister.Break::sameAsParent).count()));
    return new StatementTable("Places that stand alone" + asked.where(), counts, List.of(
        StatementTable.Column.key("place", "Place", 70), StatementTable.Column.text("kind", "Kind", 11), StatementTable.Column.number("entries", "Entries", 9), StatementTable.Column.number("keepers", "Keepers", 9),
        StatementTable.Column.number("adds", "People with more", 10), StatementTable.Column.text("gained", "More", 34), StatementTable.Column.number("removes", "People with less", 10), StatementTable.Column.text("lost", "Less", 34)),
        () -> breaks.stream().map(one -> new StatementTable.Row(List.of(asked.snapshot().pathText(one.number()), one.place().kind().word(), Integer.toString(one.entries()),
            Integer.toString(asked.moment().holdersOf(Right.GOVERN, one.number()).and(asked.moment().activeStaff()).size()), Integer.toString(one.adds()), one.gained().toString(), Integer.toString(one.removes()), one.lost().toString()))));
  }
}
