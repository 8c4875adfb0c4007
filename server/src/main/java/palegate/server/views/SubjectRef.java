package palegate.server.views;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;

/** A person, group, unit or built-in group, by its id. */
@Schema(name = "SubjectRef")
public record SubjectRef(
    @NotNull(message = "Say person, group, unit or builtin.")
    @Pattern(regexp = "person|group|unit|builtin", message = "Say person, group, unit or builtin.") String kind,
    @NotBlank(message = "Name a person, group or unit.") String id) {}
