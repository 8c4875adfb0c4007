package palegate.server.walls;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.certificates.Certificate;
import palegate.core.duties.Duty;
import palegate.core.snapshot.Snapshot;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.WallGap;
import palegate.server.changes.ChangeBody;
import palegate.server.drafts.DraftedState;
import palegate.server.session.Accounts;
import palegate.server.shell.MayBeMissing;
import palegate.server.shell.Problem;
import palegate.server.store.WallRecords;

/** What looks as if it belonged behind a wall and does not lie there: to be taken in by a draft, or dismissed with a reason. */
@RestController
class WallGapsController {
  /** One gap with its evidence, quoted; {@code fix} is missing where nothing simple takes it in, {@code dismissed} where nobody has. */
  record GapView(String place, String path, @MayBeMissing String side, WallGap.Kind kind, WallGap.Confidence confidence, int documents, String said, String like, @MayBeMissing ChangeBody fix,
      @MayBeMissing Dismissal dismissed) {}

  /** Why somebody said that it is none: about a wall and a place both of which the asker knows. */
  record Dismissal(String author, Instant at, String reason) {}

  /**
   * @param more how many besides are not listed
   * @param notSearched how many numbers and names were not looked for in texts, because there are too many
   * @param cut whether more texts say one of the numbers than were read
   */
  record GapsView(List<GapView> gaps, int more, int notSearched, boolean cut) {}

  record Dismiss(@NotBlank(message = "Name the place.") String place,
      @NotBlank(message = "Say why it does not belong inside: whoever asks next reads it.") @Size(max = 2000, message = "A reason has at most 2,000 characters.") String reason) {}

  private static final int GAPS_AT_MOST = 500;

  private final WallsAtWork walls;
  private final WallContent content;
  private final WallRecords records;
  private final Accounts accounts;
  private final Clock clock;

  WallGapsController(WallsAtWork walls, WallContent content, WallRecords records, Accounts accounts, Clock clock) {
    this.walls = walls;
    this.content = content;
    this.records = records;
    this.accounts = accounts;
    this.clock = clock;
  }

  /** The surest first; those dismissed, as long as the same speaks for them, are among them. At most {@value #GAPS_AT_MOST}. */
  @GetMapping("/api/walls/{id}/gaps")
  GapsView gaps(@PathVariable String id, Principal who) {
    DraftedState.State state = walls.shownTo(who);
    Wall wall = WallsAtWork.find(state, id);
    Snapshot snapshot = state.after();
    Map<String, WallRecords.Dismissed> dismissed = records.dismissed(id);
    WallContent.Looked looked = content.gaps(snapshot, wall);
    List<WallGap> found = looked.gaps();
    return new GapsView(found.stream().limit(GAPS_AT_MOST).map(gap -> {
      WallRecords.Dismissed known = dismissed.get(gap.place());
      WallRecords.Dismissed said = known != null && known.isAbout(evidence(gap)) ? known : null;
      return new GapView(gap.place(), snapshot.pathText(snapshot.placeNumber(gap.place())), gap.side(), gap.kind(), gap.confidence(), gap.documents(), gap.said(), gap.like(), gap.fix() == null ? null : ChangeBody.of(gap.fix()),
          said == null ? null : new Dismissal(said.author(), said.at(), said.reason()));
    }).toList(), Math.max(0, found.size() - GAPS_AT_MOST), looked.notSearched(), looked.cut());
  }

  @PostMapping("/api/walls/{id}/gaps/dismissals")
  @ResponseStatus(HttpStatus.NO_CONTENT)
  void dismiss(@PathVariable String id, @Valid @RequestBody Dismiss asked, Principal who) {
    walls.refuseOthers(who, Duty.WALLS);
    DraftedState.State state = walls.shownTo(who);
    Wall wall = WallsAtWork.find(state, id);
    WallGap gap = content.gaps(state.after(), wall).gaps().stream().filter(one -> one.place().equals(asked.place())).findFirst().orElseThrow(() -> Problem.notFound("gap", asked.place()));
    if (!records.dismiss(id, asked.place(), evidence(gap), asked.reason().strip(), who.getName(), accounts.nameOf(who.getName()), clock.instant())) {
      throw Problem.notFound("gap", asked.place());
    }
  }

  /** By which the evidence for a gap is known again. */
  private static String evidence(WallGap gap) {
    return Certificate.digest(String.join("\u001f", gap.kind().name(), gap.said(), gap.like()).getBytes(StandardCharsets.UTF_8));
  }
}
