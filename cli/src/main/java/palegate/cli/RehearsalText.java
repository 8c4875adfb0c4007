package palegate.cli;

import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.changes.Change;
import palegate.core.changes.Wording;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.text.Counted;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.ObjectWriteContext;
import tools.jackson.core.json.JsonFactory;

/** A rehearsal written down, for people or for programs. */
final class RehearsalText {
  private RehearsalText() {}

  /** Sentences: what the changes do, whom they reach, what has to be looked at. */
  static void text(Rehearsal rehearsal, List<Change> changes, List<String> needs, OutputStream out) throws IOException {
    StringBuilder text = new StringBuilder();
    Wording names = new Wording(rehearsal.before().structure(), rehearsal.after().structure());
    for (Change change : changes) {
      String thing = change.thing();
      int colon = thing.indexOf(':');
      text.append(thing, 0, colon).append(' ').append(names.name(thing.substring(0, colon), thing.substring(colon + 1))).append(": ").append(change.words(names)).append(".\n");
    }
    text.append('\n');
    rehearsal.differences().forEach(difference -> {
      RightsDifference.Totals totals = difference.totals();
      text.append(difference == rehearsal.now() ? "Now" : "From " + difference.instant()).append(": ").append(Counted.of(totals.peopleGaining(), "person gains", "people gain")).append(", ")
          .append(Counted.of(totals.peopleLosing(), "loses", "lose")).append("; ").append(Counted.of(totals.outsidersGaining(), "outsider gains", "outsiders gain")).append("; ").append(Counted.of(totals.documents(), "document", "documents")).append(".\n");
    });
    Stream.of(
        rehearsal.lockOuts().stream().map(place -> "Nobody would govern " + place.name() + " [" + place.id() + "] any more."),
        rehearsal.authorLosesGovern().stream().map(place -> "Whoever puts it in force would no longer govern " + place.name() + " [" + place.id() + "]."),
        rehearsal.withoutEffect().stream().map(entry -> "The entry [" + entry.id() + "] changes nothing for anybody."),
        needs.stream().map(need -> "Somebody else would have to approve this: " + need + ".")).flatMap(lines -> lines).forEach(line -> text.append(line).append('\n'));
    rehearsal.now().people().stream().sorted(Comparator.comparing(shift -> shift.person().name())).forEach(shift -> text.append(shift.person().name())
        .append(shift.person().external() ? " (outsider)" : "").append(": gains ").append(words(shift.gained().words())).append(" at ").append(shift.placesGaining())
        .append(", loses ").append(words(shift.lost().words())).append(" at ").append(shift.placesLosing()).append(".\n"));
    out.write(text.toString().getBytes(StandardCharsets.UTF_8));
    out.flush();
  }

  private static String words(List<String> rights) {
    return rights.isEmpty() ? "nothing" : String.join(", ", rights);
  }

  /** One object: totals at each instant, places left without a keeper, approvals, and every person at every place. */
  static void json(Rehearsal rehearsal, List<String> needs, OutputStream out) throws IOException {
    try (JsonGenerator json = new JsonFactory().createGenerator(ObjectWriteContext.empty(), out)) {
      json.writeStartObject();
      json.writeArrayPropertyStart("instants");
      rehearsal.differences().forEach(difference -> writeTotals(json, difference));
      json.writeEndArray();
      write(json, "lockOuts", rehearsal.lockOuts().stream().map(place -> place.id()));
      write(json, "ownLosses", rehearsal.authorLosesGovern().stream().map(place -> place.id()));
      write(json, "withoutEffect", rehearsal.withoutEffect().stream().map(entry -> entry.id()));
      write(json, "approvals", needs.stream());
      json.writeArrayPropertyStart("pairs");
      rehearsal.now().pairs().sorted(Comparator.comparing((RightsDifference.Pair pair) -> pair.person().id()).thenComparing(pair -> pair.place().id())).forEach(pair -> {
        json.writeStartObject();
        json.writeStringProperty("person", pair.person().id());
        json.writeStringProperty("place", pair.place().id());
        write(json, "gained", pair.gained().words().stream());
        write(json, "lost", pair.lost().words().stream());
        json.writeEndObject();
      });
      json.writeEndArray();
      json.writeEndObject();
    }
    out.write('\n');
  }

  private static void writeTotals(JsonGenerator json, RightsDifference difference) {
    RightsDifference.Totals totals = difference.totals();
    json.writeStartObject();
    json.writeStringProperty("at", difference.instant().toString());
    json.writeNumberProperty("peopleGaining", totals.peopleGaining());
    json.writeNumberProperty("peopleLosing", totals.peopleLosing());
    json.writeNumberProperty("outsidersGaining", totals.outsidersGaining());
    json.writeNumberProperty("places", totals.places());
    json.writeNumberProperty("documents", totals.documents());
    json.writeNumberProperty("pairsGaining", totals.pairsGaining());
    json.writeNumberProperty("pairsLosing", totals.pairsLosing());
    json.writeEndObject();
  }

  private static void write(JsonGenerator json, String name, Stream<String> values) {
    json.writeArrayPropertyStart(name);
    values.forEach(json::writeString);
    json.writeEndArray();
  }
}
