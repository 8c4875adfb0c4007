package palegate.core.mining;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Supplier;
import palegate.core.collections.Later;
import palegate.core.snapshot.Snapshot;

/**
 * Looks for ways to say exactly the same with less: kind after kind, in each what saves most first, on what the proposals before it leave, until
 * nothing more is found. A proposal is only made if nobody has anything else by it ({@link Proof}). First what is the same in other words, then what has
 * to be rehearsed. All of them together are one draft.
 */
public final class Mining {
  /** A proposal has so many changes, at most: more than a draft takes up at once is no help. */
  public static final int CHANGES_AT_MOST = 4_000;
  /** So many candidates are tried, at most. */
  static final int TRIED_AT_MOST = 50_000;
  /** So many instants are rehearsed, at most, of candidates that are not the same in other words. */
  private static final int REHEARSED_AT_MOST = 600;

  /** How far it is. */
  public interface Progress {
    Progress NONE = (kind, tried, candidates, saved) -> true;

    /**
     * Told before each candidate is tried.
     *
     * @param kind what is tried now
     * @param tried how many of that kind have been tried in this round
     * @param candidates how many of that kind there are in this round
     * @param saved how many entries have been saved so far
     * @return whether to go on
     */
    boolean at(Proposal.Kind kind, int tried, int candidates, int saved);
  }

  /**
   * What was found.
   *
   * @param before how much there is
   * @param after how much there would be
   * @param tried how many candidates were tried
   * @param cut whether there were more, or it was called off
   */
  public record Found(List<Proposal> proposals, Size before, Size after, int tried, boolean cut) {
    public Found {
      proposals = List.copyOf(proposals);
    }
  }

  /** Where candidates come from. */
  private record Source(Proposal.Kind kind, Function<Mined, List<Candidate>> candidates) {}

  /** Of these it can be shown that they are the same in other words. */
  private static final List<Source> IN_OTHER_WORDS = List.of(new Source(Proposal.Kind.ENDED, EntryCandidates::ended), new Source(Proposal.Kind.MERGE, state -> new GroupCandidates(state).merged()), new Source(Proposal.Kind.ROLE, RoleCandidates::joined),
      new Source(Proposal.Kind.NEW_ROLE, RoleCandidates::made), new Source(Proposal.Kind.GROUP, state -> new GroupCandidates(state).named()), new Source(Proposal.Kind.NEW_GROUP, state -> new GroupCandidates(state).made()),
      new Source(Proposal.Kind.IDLE, EntryCandidates::said), new Source(Proposal.Kind.REJOIN, EntryCandidates::rejoins));
  /** Of these it hangs on guards, or on what there is: only a rehearsal can say. */
  private static final List<Source> TO_REHEARSE = List.of(new Source(Proposal.Kind.IDLE, EntryCandidates::idle), new Source(Proposal.Kind.REJOIN, EntryCandidates::rejoins), new Source(Proposal.Kind.LIFT, EntryCandidates::lifts));

  private final Instant now;
  private final Supplier<String> ids;
  private final Progress progress;
  private final List<Proposal> proposals = new ArrayList<>();
  /** At how many proposals something failed: until there is another it fails again. */
  private final Map<String, Integer> failed = new HashMap<>();
  private Snapshot at;
  private Later<RelevantInstants> relevant;
  private int tried;
  private int rehearsed;
  private boolean cut;

  private Mining(Snapshot snapshot, Instant now, Supplier<String> ids, Progress progress) {
    this.now = now;
    this.ids = ids;
    this.progress = progress;
    to(snapshot);
  }

  /**
   * O(candidates × what each touches), and O(instants to come × what each touches) for those that have to be rehearsed.
   *
   * @param ids makes the ids of new entries, groups and roles
   */
  public static Found of(Snapshot snapshot, Instant now, Supplier<String> ids, Progress progress) {
    Mining mining = new Mining(snapshot, now, ids, progress);
    if (snapshot.structure().repository().isPresent()) {
      mining.rounds();
    }
    return new Found(mining.proposals, Size.of(snapshot.structure()), Size.of(mining.at.structure()), mining.tried, mining.cut);
  }

  private void rounds() {
    int before;
    do {
      before = proposals.size();
      round(IN_OTHER_WORDS, false);
      if (proposals.size() == before) {
        round(TO_REHEARSE, true);
      }
    } while (!cut && proposals.size() > before);
  }

  private void round(List<Source> sources, boolean everyInstant) {
    for (Source source : sources) {
      if (cut) {
        return;
      }
      int saved = saved();
      List<Candidate> candidates = source.candidates().apply(new Mined(at, now, ids, (done, of) -> goesOn(source.kind(), done, of, saved))).stream().filter(candidate -> candidate.changes().size() <= CHANGES_AT_MOST).sorted(Comparator.comparingInt(Candidate::saves).reversed().thenComparing(Candidate::words)).toList();
      List<Candidate> left = shown(candidates);
      // What has been shown only as long as others stay is shown anew in the next round: by itself it would take as long as all of them together.
      all(source.kind(), everyInstant ? left.stream().filter(candidate -> candidate.shown() == null || left.size() == candidates.size()).toList() : left, everyInstant);
    }
  }

  private boolean goesOn(Proposal.Kind kind, int tried, int candidates, int saved) {
    cut |= !progress.at(kind, tried, candidates, saved);
    return !cut;
  }

  private int saved() {
    return proposals.stream().mapToInt(Proposal::saves).sum();
  }

  /** Takes those that have been shown and touch nothing in common with each other, all at once; the others are left. */
  private List<Candidate> shown(List<Candidate> candidates) {
    Apart together = new Apart(at);
    List<Candidate> left = candidates.stream().filter(candidate -> !together.takes(candidate)).toList();
    List<Candidate> apart = together.candidates();
    Snapshot after = apart.size() < 2 ? null : new Proof(at, now, relevant).ofShown(apart.stream().flatMap(candidate -> candidate.changes().stream()).toList());
    if (after == null) {
      return candidates;
    }
    tried += apart.size();
    Size size = Size.of(at.structure());
    for (Candidate candidate : apart) {
      Size less = new Size(size.entries() - candidate.saves(), size.groups(), size.memberships(), size.roles());
      proposals.add(new Proposal(candidate.kind(), candidate.words(), candidate.changes(), size, less));
      size = less;
    }
    to(after);
    return left;
  }

  private void to(Snapshot after) {
    at = after;
    relevant = new Later<>(() -> new RelevantInstants(after, now));
  }

  private void all(Proposal.Kind kind, List<Candidate> candidates, boolean everyInstant) {
    int saved = saved();
    for (int i = 0; i < candidates.size(); i++) {
      Candidate candidate = candidates.get(i);
      if (tried >= TRIED_AT_MOST || everyInstant && rehearsed >= REHEARSED_AT_MOST || !goesOn(kind, i, candidates.size(), saved)) {
        cut = true;
        return;
      }
      String name = candidate.words() + everyInstant;
      if (failed.getOrDefault(name, -1) == proposals.size()) {
        continue;
      }
      tried++;
      Proof proof = new Proof(at, now, relevant);
      Snapshot after = proof.of(candidate.changes(), everyInstant);
      rehearsed += proof.rehearsed();
      if (after == null) {
        failed.put(name, proposals.size());
      } else {
        Proposal proposal = new Proposal(kind, candidate.words(), candidate.changes(), Size.of(at.structure()), Size.of(after.structure()));
        proposals.add(proposal);
        saved += proposal.saves();
        to(after);
      }
    }
  }
}
