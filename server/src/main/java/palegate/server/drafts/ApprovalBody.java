package palegate.server.drafts;

import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Set;
import palegate.core.approvals.ApprovalRule;
import palegate.core.drafts.ApprovalChange;
import palegate.core.drafts.Change;
import palegate.core.duties.Duty;
import palegate.server.shell.MayBeMissing;

/** Changes of the rules that say which drafts a second person must approve. */
public sealed interface ApprovalBody extends ChangeBody {
  /** Puts a rule there: a new one, or a changed one in the place of the rule with that id. A criterion that is left out is not given. */
  @Schema(name = "SetApproval")
  record SetApproval(
      @MayBeMissing String approval, @NotBlank(message = "Give the rule a name.") @Size(max = 300, message = "A name has at most 300 characters.") String name,
      @MayBeMissing List<String> kinds, @MayBeMissing List<Duty> duties, boolean outsidersGain, @MayBeMissing List<String> places,
      @NotNull(message = "Name the duty of who approves.") Duty duty) implements ApprovalBody {
    static SetApproval of(ApprovalRule rule) {
      return new SetApproval(rule.id(), rule.name(), rule.when().kinds().stream().sorted().toList(), rule.when().duties().stream().sorted().toList(),
          rule.when().outsidersGain(), rule.when().places().stream().sorted().toList(), rule.duty());
    }

    @Override
    public Change toCore() {
      return new ApprovalChange.SetApproval(new ApprovalRule(approval, name.strip(),
          new ApprovalRule.When(set(kinds), set(duties), outsidersGain, set(places)), duty));
    }

    private static <T> Set<T> set(List<T> values) {
      return values == null ? Set.of() : Set.copyOf(values);
    }

    @Override
    public ChangeBody withEntry() {
      return approval != null ? this : new SetApproval(NewIds.of("ap"), name, kinds, duties, outsidersGain, places, duty);
    }
  }

  @Schema(name = "RemoveApproval")
  record RemoveApproval(@NotBlank(message = "Name a rule.") String approval) implements ApprovalBody {
    @Override
    public Change toCore() {
      return new ApprovalChange.RemoveApproval(approval);
    }
  }
}
