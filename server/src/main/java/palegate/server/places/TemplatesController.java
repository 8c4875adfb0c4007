package palegate.server.places;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
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
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.server.shell.MayBeMissing;
import palegate.server.store.ListTemplates;
import palegate.server.viewpoint.Viewpoints;
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
  private final Viewpoints viewpoints;

  TemplatesController(ListTemplates kept, Viewpoints viewpoints) {
    this.kept = kept;
    this.viewpoints = viewpoints;
  }

  /** Those that name nobody whom one may not know. */
  @GetMapping
  List<Template> templates(Principal who) {
    Structure known = viewpoints.known(who.getName()).snapshot().structure();
    return kept.all(TemplateLine[].class).stream().map(template -> new Template(template.id(), template.name(), Arrays.asList(template.lines())))
        .filter(template -> template.lines().stream().allMatch(line -> SubjectNames.isThere(line.subject().subject(), known))).toList();
  }

  /** Keeps a list under a name, in the place of one of that name. */
  @PostMapping
  List<Template> keep(@Valid @RequestBody NewTemplate template, Principal who) {
    kept.keep(template.name().strip(), template.lines().toArray(TemplateLine[]::new));
    return templates(who);
  }

  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void forget(@PathVariable long id, Principal who) {
    if (templates(who).stream().anyMatch(template -> template.id() == id)) {
      kept.forget(id);
    }
  }
}
