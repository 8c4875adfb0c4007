package palegate.core.wallsatwork;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import palegate.core.snapshot.Snapshot;

/** Letters that belong together by their names: one says that it answers, passes on or reminds of what another is called. */
public final class Correspondence {
  /**
   * Documents of one subject; at least one answers another.
   *
   * @param documents ascending
   */
  record Thread(List<Integer> documents) {}

  private static final Pattern ANSWERING = Pattern.compile("(?i)^\\s*(?:(?:re|fw|fwd)\\s*:|(?:reply|answer|response)\\s+to\\b:?|(?:reply|answer|response|reminder|enclosure|forwarded)\\s*:|reminder\\s+of\\b:?)\\s*");
  /** What is called so by more is a form's name and not a subject. */
  private static final int OF_ONE_SUBJECT_AT_MOST = 12;
  /** A shorter subject, or one of a single word, is anybody's. */
  private static final int LETTERS_AT_LEAST = 10;

  private final List<Thread> threads;
  private final Set<String> subjects;

  private Correspondence(List<Thread> threads, Set<String> subjects) {
    this.threads = threads;
    this.subjects = subjects;
  }

  /** O(letters in names of documents). */
  static Correspondence of(Snapshot snapshot) {
    Map<String, List<Integer>> bySubject = new LinkedHashMap<>();
    snapshot.places().filter(snapshot::isDocument).forEach(document -> {
      String name = snapshot.place(document).name();
      if (maybeAnswers(name)) {
        String subject = subject(name);
        if (subject.length() < name.strip().length() && tells(subject)) {
          add(bySubject.computeIfAbsent(LabelsInUse.plain(subject), any -> new ArrayList<>()), document);
        }
      }
    });
    if (!bySubject.isEmpty()) {
      snapshot.places().filter(snapshot::isDocument).forEach(document -> {
        String name = snapshot.place(document).name();
        List<Integer> thread = bySubject.get(LabelsInUse.plain(name));
        if (thread != null) {
          add(thread, document);
        }
      });
    }
    return new Correspondence(bySubject.values().stream().filter(documents -> documents.size() > 1 && documents.size() <= OF_ONE_SUBJECT_AT_MOST).map(documents -> new Thread(documents.stream().sorted().toList())).toList(), Set.copyOf(bySubject.keySet()));
  }

  /** One more than there may be says that there are too many; no thread becomes longer. */
  private static void add(List<Integer> thread, int document) {
    if (thread.size() <= OF_ONE_SUBJECT_AT_MOST && !thread.contains(document)) {
      thread.add(document);
    }
  }

  List<Thread> threads() {
    return threads;
  }

  /** Of every letter that answers another, whether or not that one is there: letters and digits alone, in small letters. */
  Set<String> subjects() {
    return subjects;
  }

  /** A name without what says that it answers another, however often it says so. */
  static String subject(String name) {
    String rest = name.strip();
    for (Matcher matcher = ANSWERING.matcher(rest); matcher.find(); matcher = ANSWERING.matcher(rest)) {
      rest = rest.substring(matcher.end()).strip();
    }
    return rest;
  }

  private static boolean tells(String subject) {
    return LabelsInUse.plain(subject).length() >= LETTERS_AT_LEAST && subject.indexOf(' ') > 0;
  }

  /** Most names are told apart by their first letter. */
  private static boolean maybeAnswers(String name) {
    String start = name.stripLeading();
    return !start.isEmpty() && "rfae".indexOf(Character.toLowerCase(start.charAt(0))) >= 0 && start.toLowerCase(Locale.ROOT).matches("(?:re|fw|answer|enclosure|forwarded).*");
  }
}
