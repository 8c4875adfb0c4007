package palegate.server.store;

import java.util.List;
import java.util.function.Predicate;
import palegate.core.wallsatwork.ContentEvidence;
import palegate.core.wallsatwork.SearchTerm;

/** Finds documents by what they say. It knows nothing of who may find them: whoever asks it takes away what the asker may not. */
public interface TextIndex {
  /** The documents that say all of these words, or words that begin so; each by its id. */
  List<String> saying(String words);

  /** The first documents of those that are wanted whose text says a number or a name, word for word, and where. */
  List<ContentEvidence.Mention> mentioning(SearchTerm term, Predicate<String> wanted, int atMost);

  /** Keeps what a version of a document says; an older version than the one that is kept is left alone. */
  void keep(String place, int version, String text);
}
