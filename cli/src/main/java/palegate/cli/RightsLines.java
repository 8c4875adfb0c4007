package palegate.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.roles.Right;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.SubjectNames;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Lines of people or places with rights, and by what; ordered by id, in byte order. */
final class RightsLines {
  /** @param id of a person or a place, and {@code name} as one would say it */
  record Line(String id, String name, Rights rights, List<String> by) {}

  private final SnapshotAt moment;
  private final boolean standing;
  private final boolean how;

  /**
   * Rights of people at places.
   *
   * @param standing without conditions of documents
   * @param how whether by what is said too
   */
  RightsLines(SnapshotAt moment, boolean standing, boolean how) {
    this.moment = moment;
    this.standing = standing;
    this.how = how;
  }

  Line line(String id, String name, int person, int place) {
    Rights rights = standing ? moment.rights(person, place) : moment.rightsNow(person, place);
    return new Line(id, name, rights, how && !rights.isEmpty() ? by(person, place) : List.of());
  }

  /** A right by its word; null for any. */
  static Right right(String word) throws IOException {
    return word == null ? null : Arrays.stream(Right.values()).filter(one -> one.word().equals(word)).findFirst()
        .orElseThrow(() -> new IOException("There is no right [" + word + "]. Choose one of: " + String.join(", ", Arrays.stream(Right.values()).map(Right::word).toList()) + "."));
  }

  /** Every entry and appointment that reaches the place and names the person, by any chain of memberships. */
  private List<String> by(int person, int place) {
    Snapshot snapshot = moment.snapshot();
    List<String> by = new ArrayList<>();
    for (Entry entry : snapshot.reachingEntries(place)) {
      if (entry instanceof Grant grant && entry.period().holdsAt(moment.instant()) && entry.touches(snapshot.place(place).type()) && moment.matches(person, entry.subject())) {
        by.add(snapshot.structure().roles().get(grant.role()).name() + " to " + SubjectNames.of(entry.subject(), snapshot.structure()) + " at " + snapshot.pathText(snapshot.placeNumber(entry.place())));
      }
    }
    for (int above : snapshot.path(place)) {
      for (Oversight oversight : snapshot.ownOversights(above)) {
        if (oversight.period().holdsAt(moment.instant()) && moment.matches(person, oversight.subject())) {
          by.add("oversight of " + SubjectNames.of(oversight.subject(), snapshot.structure()) + " at " + snapshot.pathText(above));
        }
      }
    }
    return by;
  }

  /** @param what the first column: person or place */
  static void print(Path out, WallFormat format, String what, List<Line> lines) throws IOException {
    Output.write(out, stream -> {
      PrintWriter writer = new PrintWriter(stream, false, StandardCharsets.UTF_8);
      switch (format) {
        case csv -> {
          writer.print(what + ",rights\n");
          lines.forEach(line -> writer.print(WallFormat.cell(line.id()) + "," + line.rights() + "\n"));
        }
        case json -> writer.println(json(what, lines));
        case text -> lines.forEach(line -> writer.println(line.name() + " (" + line.id() + "): " + line.rights() + (line.by().isEmpty() ? "" : " — " + String.join("; ", line.by()))));
      }
      writer.flush();
    });
  }

  private static String json(String what, List<Line> lines) {
    ArrayNode all = JsonMapper.shared().createArrayNode();
    for (Line line : lines) {
      ObjectNode one = all.addObject().put(what, line.id()).put("name", line.name()).put("rights", line.rights().toString());
      ArrayNode by = one.putArray("by");
      line.by().forEach(by::add);
    }
    return JsonMapper.shared().writerWithDefaultPrettyPrinter().writeValueAsString(all);
  }
}
