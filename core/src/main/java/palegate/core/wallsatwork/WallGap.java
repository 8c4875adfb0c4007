package palegate.core.wallsatwork;

import palegate.core.changes.Change;

/**
 * A place that looks as if it belonged behind a wall and does not lie there, with what speaks for it, quoted.
 *
 * @param place the topmost place; all below it would come along
 * @param side the side whose papers it seems to be of; null for a wall of one scope
 * @param documents how many documents at and below it lie outside
 * @param said the text of the place that was found
 * @param like the text inside, or of the wall, that it is like
 * @param fix what would take it in; null if nothing simple would
 */
public record WallGap(String place, String side, Kind kind, Confidence confidence, int documents, String said, String like, Change fix) {
  /** What speaks for it. */
  public enum Kind {
    /** A label's value is one of the wall's but for case, spaces and signs. */
    WRITTEN_DIFFERENTLY,
    /** A label's value has two neighbouring signs of one of the wall's swapped. */
    MISTYPED,
    /** Another label has one of the wall's values. */
    OTHER_LABEL,
    /** The name has a number that one of the wall's values, or a folder inside, has. */
    SAME_NUMBER,
    /** The name has the name of a folder inside. */
    SAME_NAME,
    /** The content is that of a document inside. */
    SAME_CONTENT,
    /** It answers a document inside, or is answered by one. */
    SAME_CORRESPONDENCE,
    /** The text says a number or name of the wall's. */
    IN_ITS_TEXT,
    /** Most folders beside it lie inside. */
    SIBLING
  }

  /** How sure that is. */
  public enum Confidence {
    NEARLY_SURE, LIKELY, POSSIBLE
  }
}
