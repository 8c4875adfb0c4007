package palegate.server.changes;

import com.fasterxml.jackson.annotation.JsonCreator;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.ArrayList;
import java.util.List;
import palegate.core.bundle.Fault;
import palegate.core.changes.Change;
import palegate.core.changes.ChangeJson;
import palegate.server.shell.Problem;
import tools.jackson.core.JsonGenerator;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.annotation.JsonSerialize;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.ser.std.StdSerializer;

/**
 * A change as it is sent and answered, and kept in drafts and the journal: see {@link ChangeJson}. The id of what it makes may
 * be left out; the server then gives one.
 */
@Schema(name = "Change")
@JsonSerialize(using = ChangeBody.Written.class)
public record ChangeBody(@Schema(hidden = true) JsonNode json) {
  @JsonCreator(mode = JsonCreator.Mode.DELEGATING)
  public ChangeBody {}

  static final class Written extends StdSerializer<ChangeBody> {
    Written() {
      super(ChangeBody.class);
    }

    @Override
    public void serialize(ChangeBody change, JsonGenerator into, SerializationContext context) {
      into.writeTree(change.json);
    }
  }

  public static ChangeBody of(Change change) {
    return new ChangeBody(ChangeJson.write(change));
  }

  /** The change that was sent; refused with all its faults. */
  public Change read() {
    return read(List.of(this)).get(0);
  }

  /** The changes that were sent; refused with all faults of all of them. */
  public static List<Change> read(List<ChangeBody> sent) {
    Sent read = Sent.of(sent);
    if (!read.faults.isEmpty()) {
      throw refused(read.faults);
    }
    return read.changes;
  }

  public static Problem refused(List<Problem.Fault> faults) {
    return Problem.faults("Some of what was sent is not right; each point is listed.", faults);
  }

  /**
   * Changes as they were sent.
   *
   * @param changes where something is wrong with one, as far as it says one; null if it says none
   * @param faults all that is wrong with how they are written
   */
  public record Sent(List<Change> changes, List<Problem.Fault> faults) {
    public static Sent of(List<ChangeBody> bodies) {
      List<Problem.Fault> faults = new ArrayList<>();
      List<Change> changes = new ArrayList<>();
      for (ChangeBody body : bodies) {
        List<Fault> found = new ArrayList<>();
        JsonNode json = body == null || body.json == null ? JsonNodeFactory.instance.nullNode() : body.json;
        Change change = ChangeJson.read(json, "", NewIds::of, found);
        changes.add(change == null ? ChangeJson.readLoosely(json, NewIds::of).orElse(null) : change);
        String which = bodies.size() == 1 ? "" : "change " + changes.size();
        found.forEach(fault -> faults.add(new Problem.Fault(where(which, fault.pointer()), fault.what(), fault.remedy())));
      }
      return new Sent(changes, List.copyOf(faults));
    }
  }

  private static String where(String which, String pointer) {
    String field = pointer.isEmpty() ? "" : pointer.substring(1).replace('/', '.');
    return which.isEmpty() ? field.isEmpty() ? "change" : field : field.isEmpty() ? which : which + ", " + field;
  }
}
