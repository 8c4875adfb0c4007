package palegate.server.findings;

import java.security.Principal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.duties.Duty;
import palegate.core.mining.Mining;
import palegate.core.mining.Proposal;
import palegate.core.mining.Size;
import palegate.core.snapshot.Snapshot;
import palegate.core.viewpoint.Viewpoint;
import palegate.server.changes.ChangeBody;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.viewpoint.Viewpoints;

/**
 * How the same could be said with less, looked for in the background: for whoever administers everything, since of a part it would not be known what
 * else an entry gives.
 */
@RestController
@RequestMapping("/api/findings/mining")
class MiningController {
  /** @param saves how many entries; groups that a merge saves show in {@code groups} */
  record ProposalView(Proposal.Kind kind, String words, int saves, int groups, List<ChangeBody> changes) {}

  /** How much there is: entries, groups, memberships and roles. */
  record SizeView(int entries, int groups, int memberships, int roles) {
    static SizeView of(Size size) {
      return new SizeView(size.entries(), size.groups(), size.memberships(), size.roles());
    }
  }

  /**
   * What was found. Each proposal stands on those before it: they are taken up to one, or all.
   *
   * @param after how much there would be with all of the proposals
   * @param more how many proposals are left out, because a draft would become too large: they are found again once these are in force
   * @param cut whether it was called off, or time ran out, before everything was tried
   */
  record MinedView(SizeView before, SizeView after, int tried, boolean cut, int more, List<ProposalView> proposals) {}

  /**
   * How far it is.
   *
   * @param kind what is being tried, of which {@code tried} of {@code candidates} are done; missing while it waits
   * @param saved how many entries so far
   */
  record LookingView(@MayBeMissing Proposal.Kind kind, int tried, int candidates, int saved) {}

  /** One of three: not begun, looking, or done. */
  record MiningView(@MayBeMissing LookingView looking, @MayBeMissing MinedView found) {}

  private final MiningJobs jobs;
  private final Viewpoints viewpoints;

  MiningController(MiningJobs jobs, Viewpoints viewpoints) {
    this.jobs = jobs;
    this.viewpoints = viewpoints;
  }

  @GetMapping
  MiningView mining(Principal who) {
    return view(jobs.of(snapshot(who)));
  }

  /** Begins to look, unless it is being looked already or was. */
  @PostMapping
  @ResponseStatus(HttpStatus.ACCEPTED)
  MiningView begin(Principal who) {
    return view(Optional.of(jobs.begin(snapshot(who))));
  }

  /** Calls it off; what was found until then is shown. */
  @DeleteMapping
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void callOff(Principal who) {
    jobs.of(snapshot(who)).ifPresent(MiningJobs.Job::callOff);
  }

  private Snapshot snapshot(Principal who) {
    Viewpoint viewpoint = viewpoints.of(who.getName());
    if (!viewpoint.asker().holds(Duty.AUDIT) && !viewpoint.asker().holdsEverywhere(Duty.ACCESS)) {
      throw Problem.of(HttpStatus.FORBIDDEN, "not-of-a-part", "Only for the whole", "How the same could be said with fewer entries is worked out only for whoever administers the whole repository.");
    }
    return viewpoint.snapshot();
  }

  private static MiningView view(Optional<MiningJobs.Job> job) {
    if (job.isEmpty()) {
      return new MiningView(null, null);
    }
    if (job.get().failed()) {
      throw Problem.of(HttpStatus.INTERNAL_SERVER_ERROR, "not-looked", "It could not be looked", "It broke off while it was being looked how the same could be said with fewer entries. Nothing was changed. Begin again.");
    }
    MiningJobs.Job.Stand stand = job.get().stand();
    return job.get().found().map(found -> new MiningView(null, view(found))).orElseGet(() -> new MiningView(new LookingView(stand.kind(), stand.tried(), stand.candidates(), stand.saved()), null));
  }

  private static MinedView view(Mining.Found found) {
    List<ProposalView> shown = new ArrayList<>();
    int changes = 0;
    for (Proposal one : found.proposals()) {
      changes += one.changes().size();
      if (changes > Mining.CHANGES_AT_MOST) {
        break;
      }
      shown.add(new ProposalView(one.kind(), one.words(), one.saves(), one.before().groups() - one.after().groups(), one.changes().stream().map(ChangeBody::of).toList()));
    }
    return new MinedView(SizeView.of(found.before()), SizeView.of(found.after()), found.tried(), found.cut(), found.proposals().size() - shown.size(), shown);
  }
}
