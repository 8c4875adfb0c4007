package palegate.core.wallsatwork;

import java.util.List;

/**
 * What the content of documents says of where they belong. It is asked of whoever keeps content, and may name documents that the asker does
 * not know: those are passed over where it is used. A bundle has no content.
 *
 * @param copies documents with the same content, by their ids
 */
public record ContentEvidence(List<List<String>> copies, List<Mention> mentions) {
  public static final ContentEvidence NONE = new ContentEvidence(List.of(), List.of());

  public ContentEvidence {
    copies = copies.stream().map(List::copyOf).toList();
    mentions = List.copyOf(mentions);
  }

  /**
   * A document whose text says what was looked for.
   *
   * @param said as its text writes it
   * @param at after how many signs it says so first
   */
  public record Mention(String document, SearchTerm term, String said, int at) {}
}
