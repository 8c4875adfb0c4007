package palegate.server.rehearsal;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Clock;
import java.util.Comparator;
import java.util.List;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.rehearsal.RightsDifference;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.server.changes.ChangeBody;
import palegate.server.drafts.Drafts;
import palegate.server.lists.PageRequest;
import palegate.server.lists.SortOrders;
import palegate.server.session.Accounts;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Page;
import palegate.server.shell.Problem;
import palegate.server.views.PersonView;

/** What a change would do at a place, before it goes into the draft: for deciding. */
@RestController
class PreviewController {
  record Asked(@NotBlank(message = "Name a place.") String place,
      @NotEmpty(message = "Send at least one change.") @Size(max = 500, message = "At most 500 changes at once.") List<ChangeBody> changes) {}

  record AlteredHere(PersonView person, List<String> before, List<String> after) {}

  /** {@code own} is what the asker, as a person, has at the place; missing if the account belongs to nobody. */
  record Own(List<String> before, List<String> after) {}

  record Preview(RightsDifference.Totals totals, int lockOuts, @MayBeMissing Own own, int peopleBefore, int peopleAfter, long peopleAltered, List<Problem.Fault> faults) {}

  private static final SortOrders<RightsDifference.Pair> ALTERED = SortOrders.<RightsDifference.Pair>by("name", Comparator.comparing(pair -> pair.person().name()))
      .or("before", Comparator.comparingInt(pair -> pair.before().size()))
      .or("after", Comparator.comparingInt(pair -> pair.after().size()));

  private final Drafts drafts;
  private final Accounts accounts;
  private final Clock clock;

  PreviewController(Drafts drafts, Accounts accounts, Clock clock) {
    this.drafts = drafts;
    this.accounts = accounts;
    this.clock = clock;
  }

  @PostMapping("/api/draft/preview")
  Preview preview(@Valid @RequestBody Asked asked, Principal who) {
    Drafts.Previewed previewed = drafts.preview(who.getName(), ChangeBody.read(asked.changes()));
    String self = accounts.find(who.getName()).map(Accounts.Account::person).orElse(null);
    Own own = self == null ? null : new Own(rights(previewed.drafted(), self, asked.place()).words(), rights(previewed.whole().after(), self, asked.place()).words());
    return new Preview(previewed.difference().totals(), previewed.whole().lockOuts().size(), own, people(previewed.drafted(), asked.place()),
        people(previewed.whole().after(), asked.place()), previewed.difference().pairsAt(asked.place()).count(),
        previewed.refusals().stream().map(refusal -> new Problem.Fault(refusal.thing(), refusal.what(), refusal.remedy(), refusal.cycle())).toList());
  }

  /** Whose rights at the place would be others, with those before and after. */
  @PostMapping("/api/draft/preview/people")
  Page<AlteredHere> people(@Valid @RequestBody Asked asked, @ParameterObject PageRequest part, Principal who) {
    Drafts.Previewed previewed = drafts.preview(who.getName(), ChangeBody.read(asked.changes()));
    return ALTERED.page(part, previewed.difference().pairsAt(asked.place()).filter(pair -> part.takes(pair.person().name())),
        pair -> new AlteredHere(PersonView.of(pair.person(), previewed.whole().after().structure()), pair.before().words(), pair.after().words()));
  }

  private Rights rights(Snapshot snapshot, String person, String place) {
    int who = snapshot.personNumber(person);
    int where = snapshot.placeNumber(place);
    return who < 0 || where < 0 ? Rights.NONE : snapshot.at(clock.instant()).rights(who, where);
  }

  private int people(Snapshot snapshot, String place) {
    int where = snapshot.placeNumber(place);
    return where < 0 ? 0 : snapshot.at(clock.instant()).holders(where).anyone().size();
  }
}
