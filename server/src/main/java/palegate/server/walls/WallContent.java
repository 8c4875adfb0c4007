package palegate.server.walls;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.function.Predicate;
import org.springframework.stereotype.Component;
import palegate.core.questions.WallCoverage;
import palegate.core.snapshot.Snapshot;
import palegate.core.walls.Barrier;
import palegate.core.walls.Wall;
import palegate.core.wallsatwork.ContentEvidence;
import palegate.core.wallsatwork.SearchTerm;
import palegate.core.wallsatwork.WallGap;
import palegate.core.wallsatwork.WallGapClues;
import palegate.core.wallsatwork.WallGaps;
import palegate.server.store.Contents;
import palegate.server.store.TextIndex;

/** Gaps of walls with what content speaks for them. Of a text no more is told than that it says what the wall itself says. */
@Component
class WallContent {
  /**
   * @param notSearched how many of the wall's numbers and names were not looked for in texts
   * @param cut whether more texts say one of the numbers than were read
   */
  record Looked(List<WallGap> gaps, int notSearched, boolean cut) {}

  private static final int TERMS_AT_MOST = 200;
  private static final int TEXTS_AT_MOST = 1_000;

  private final Contents contents;
  private final TextIndex texts;

  WallContent(Contents contents, TextIndex texts) {
    this.contents = contents;
    this.texts = texts;
  }

  /** In what the asker may know: content of other documents is passed over before it is counted. */
  Looked gaps(Snapshot known, Wall wall) {
    Predicate<String> isKnown = document -> known.placeNumber(document) >= 0;
    BitSet inside = new BitSet();
    wall.barrier().scopes().forEach(scope -> inside.or(WallCoverage.covered(known, scope)));
    // What lies inside says its own number as often as it likes.
    Predicate<String> isOutside = document -> isKnown.test(document) && !inside.get(known.placeNumber(document));
    List<SearchTerm> terms = WallGaps.searchTerms(known, wall);
    if (wall.barrier() instanceof Barrier.Confine) {
      return new Looked(List.of(), 0, false);
    }
    List<ContentEvidence.Mention> mentions = new ArrayList<>();
    boolean cut = false;
    for (SearchTerm term : terms.subList(0, Math.min(TERMS_AT_MOST, terms.size()))) {
      // A name that more texts say than can be of one matter counts for nothing: how many more is all the same.
      int most = term.kind() == SearchTerm.Kind.NAME ? WallGaps.CALLED_AT_MOST + 1 : TEXTS_AT_MOST;
      List<ContentEvidence.Mention> found = texts.mentioning(term, isOutside, most + 1);
      cut |= term.kind() == SearchTerm.Kind.NUMBER && found.size() > most;
      mentions.addAll(found.subList(0, Math.min(most, found.size())));
    }
    ContentEvidence evidence = new ContentEvidence(contents.copies(isKnown), mentions);
    return new Looked(WallGaps.of(known, wall, WallGapClues.of(known).with(evidence)), Math.max(0, terms.size() - TERMS_AT_MOST), cut);
  }
}
