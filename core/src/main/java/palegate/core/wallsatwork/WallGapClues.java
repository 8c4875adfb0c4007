package palegate.core.wallsatwork;

import palegate.core.snapshot.Snapshot;

/** What gaps of walls are looked for among, worked out once for all walls of a state. */
public record WallGapClues(LabelsInUse labels, Correspondence correspondence, ContentEvidence content) {
  /** Of the structure alone. O(labels and names of places). */
  public static WallGapClues of(Snapshot snapshot) {
    return new WallGapClues(LabelsInUse.of(snapshot), Correspondence.of(snapshot), ContentEvidence.NONE);
  }

  public WallGapClues with(ContentEvidence evidence) {
    return new WallGapClues(labels, correspondence, evidence);
  }
}
