package palegate.server.places;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Arrays;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.server.shell.MayBeMissing;
import palegate.server.store.ListTemplates;
import palegate.server.views.SubjectRef;

/** Access lists that are kept under a name, to be used at other places. A template is text to start from, and gives nobody anything. */
@RestController
@RequestMapping("/api/list-templates")
class TemplatesController {
  /** One line: a role for a grant, or rights for a withholding. */
  record TemplateLine(@NotNull(message = "Name a person, group or unit.") @Valid SubjectRef subject, @NotBlank(message = "Say the name of the subject.") String subjectName,
      @MayBeMissing String role, @MayBeMissing List<String> rights, @MayBeMissing List<String> types) {}

  record Template(long id, String name, List<TemplateLine> lines) {}

  record NewTemplate(
      @NotBlank(message = "Give the template a name.") @Size(max = 200, message = "A name has at most 200 characters.") String name,
      @NotEmpty(message = "A template has at least one line.") @Size(max = 200, message = "A template has at most 200 lines.") List<@Valid TemplateLine> lines) {}

  private final ListTemplates kept;

  TemplatesController(ListTemplates kept) {
    this.kept = kept;
  }

  @GetMapping
  List<Template> templates() {
    return kept.all(TemplateLine[].class).stream().map(template -> new Template(template.id(), template.name(), Arrays.asList(template.lines()))).toList();
  }

  /** Keeps a list under a name, in the place of one of that name. */
  @PostMapping
  List<Template> keep(@Valid @RequestBody NewTemplate template) {
    kept.keep(template.name().strip(), template.lines().toArray(TemplateLine[]::new));
    return templates();
  }

  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void forget(@PathVariable long id) {
    kept.forget(id);
  }
}
