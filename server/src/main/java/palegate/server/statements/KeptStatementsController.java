package palegate.server.statements;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
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
import palegate.core.statements.Recipe;
import palegate.server.shell.Problem;
import palegate.server.shell.Written;
import palegate.server.store.KeptStatements;

/** Recipes of statements under names, for whoever keeps them alone. */
@RestController
@RequestMapping("/api/statements/kept")
class KeptStatementsController {
  record KeptStatement(long id, String name, String recipe) {}

  record ToKeep(@NotBlank(message = "Give it a name.") @Size(max = 120, message = "A name has at most 120 characters.") String name, @NotNull(message = "Say what is asked.") @Size(max = 900, message = "A recipe has at most 900 characters.") String recipe) {}

  private final KeptStatements kept;

  KeptStatementsController(KeptStatements kept) {
    this.kept = kept;
  }

  @GetMapping
  List<KeptStatement> all(Principal who) {
    return kept.of(who.getName()).stream().map(one -> new KeptStatement(one.id(), one.name(), one.recipe())).toList();
  }

  @PostMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void keep(@Valid @RequestBody ToKeep asked, Principal who) {
    new Written().name("name", asked.name()).text("recipe", asked.recipe()).refuse("The statement was not kept.");
    Recipe.Parsed parsed = Recipe.parse(asked.recipe());
    if (parsed.recipe() == null) {
      throw Problem.faults("The statement cannot be made as it was asked for.", parsed.wrong().stream().map(one -> new Problem.Fault(one.key(), one.what(), one.remedy())).toList());
    }
    if (!kept.keep(who.getName(), asked.name().strip(), parsed.recipe().text())) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "too-many", "Too many are kept", "A hundred statements are kept already. Forget one of them first.");
    }
  }

  @DeleteMapping("/{id}")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void forget(@PathVariable long id, Principal who) {
    kept.forget(who.getName(), id);
  }
}
