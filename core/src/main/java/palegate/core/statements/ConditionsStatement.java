package palegate.core.statements;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import palegate.core.places.Conditions;
import palegate.core.places.Place;
import palegate.core.structure.Structure;

/** Documents that are private, frozen or checked out: whose they are, and for how long. */
final class ConditionsStatement {
  private ConditionsStatement() {}

  static StatementTable of(AskedStatement asked) {
    int[] places = Arrays.stream(asked.places()).filter(place -> !asked.snapshot().place(place).conditions().equals(Conditions.NONE)).toArray();
    Map<String, String> counts = new LinkedHashMap<>();
    counts.put("Documents in a condition", Integer.toString(places.length));
    return new StatementTable("Documents that are private, frozen or checked out" + asked.where(), counts, List.of(
        StatementTable.Column.key("document", "Document", 76), StatementTable.Column.text("type", "Document type", 20), StatementTable.Column.text("owner", "Owner", 24), StatementTable.Column.text("conditions", "Conditions", 22),
        StatementTable.Column.text("by", "Checked out by", 24), StatementTable.Column.text("since", "Since", 16), StatementTable.Column.number("days", "Days", 8)),
        () -> IntStream.of(places).mapToObj(place -> row(asked, place)));
  }

  private static StatementTable.Row row(AskedStatement asked, int number) {
    Structure structure = asked.structure();
    Place place = asked.snapshot().place(number);
    Conditions conditions = place.conditions();
    List<String> words = new ArrayList<>();
    if (conditions.isPrivate()) {
      words.add("private");
    }
    if (conditions.frozen()) {
      words.add("frozen");
    }
    if (conditions.checkedOutBy() != null) {
      words.add("checked out");
    }
    Instant since = conditions.checkedOutAt();
    return new StatementTable.Row(List.of(asked.snapshot().pathText(number), StatementWords.type(place.type(), structure), name(place.owner(), structure), String.join(", ", words), name(conditions.checkedOutBy(), structure),
        StatementWords.when(since), since == null ? "" : Long.toString(Math.max(0, Duration.between(since, asked.instant()).toDays()))));
  }

  private static String name(String person, Structure structure) {
    return person == null || !structure.people().containsKey(person) ? "" : structure.people().get(person).name();
  }
}
