package palegate.server.views;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import palegate.core.people.Subject;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.server.shell.Problem;

/** A person, group, unit or built-in group, by its id. */
@Schema(name = "SubjectRef")
public record SubjectRef(
    @NotNull(message = "Say person, group, unit or builtin.")
    @Pattern(regexp = "person|group|unit|builtin", message = "Say person, group, unit or builtin.") String kind,
    @NotBlank(message = "Name a person, group or unit.") String id) {
  /** The subject it names; whether it is there is for whoever asks to see. A built-in one that there is not is refused. */
  public Subject subject() {
    try {
      return Subject.of(kind, id);
    } catch (IllegalArgumentException wrong) {
      throw Problem.notFound("subject", id);
    }
  }

  /** From {@code kind:id}. */
  public static SubjectRef parse(String text) {
    int colon = text.indexOf(':');
    return new SubjectRef(colon < 0 ? "" : text.substring(0, colon), text.substring(colon + 1));
  }

  /** Whether a text is {@code kind:id} of a subject that a structure has; what is nothing of the kind is not there. */
  public static boolean isThere(String text, Structure structure) {
    SubjectRef named = parse(text);
    return named.kind.matches("person|group|unit") ? SubjectNames.isThere(Subject.of(named.kind, named.id), structure) : named.kind.equals("builtin") && Subject.BuiltIn.parse(named.id).isPresent();
  }
}
