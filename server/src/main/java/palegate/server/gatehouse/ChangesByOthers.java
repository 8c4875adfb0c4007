package palegate.server.gatehouse;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;
import palegate.server.store.ChangeLog;

/** What others changed, of the changes that somebody may know. */
final class ChangesByOthers {
  private static final int ASKED_AT_ONCE = 1_000;

  private ChangesByOthers() {}

  /**
   * The newest first, so many at most. Neither changes that are not known nor one's own take the place of any: how many of those there are is not
   * to be seen from what is left. A reading for each thousand of known changes, until there are enough.
   *
   * @param read changes by number, the newest first
   */
  static List<ChangeLog.Logged> newest(Collection<Long> known, long after, String account, int atMost, Function<List<Long>, List<ChangeLog.Logged>> read) {
    List<Long> newest = known.stream().filter(number -> number > after).sorted(Comparator.reverseOrder()).toList();
    List<ChangeLog.Logged> found = new ArrayList<>();
    for (int from = 0; from < newest.size() && found.size() < atMost; from += ASKED_AT_ONCE) {
      read.apply(newest.subList(from, Math.min(from + ASKED_AT_ONCE, newest.size()))).stream().filter(change -> !change.author().equals(account)).forEach(found::add);
    }
    return List.copyOf(found.subList(0, Math.min(atMost, found.size())));
  }
}
