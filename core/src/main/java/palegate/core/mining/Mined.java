package palegate.core.mining;

import java.time.Instant;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.snapshot.Snapshot;
import palegate.core.snapshot.SnapshotAt;
import palegate.core.structure.Structure;
import palegate.core.structure.SubjectNames;
import palegate.core.text.WellFormed;

/**
 * The state in which candidates are looked for.
 *
 * @param steps told where looking takes long
 * @param ids makes the ids of new entries, groups and roles
 */
record Mined(Snapshot snapshot, Instant now, Supplier<String> ids, Steps steps) {
  /** How far looking for candidates is; says whether to go on. */
  interface Steps {
    boolean at(int done, int of);
  }

  /** What an entry says, wherever it stands. */
  record Says(boolean grant, Subject subject, Object what, Set<String> types, Period period) {
    static Says of(Entry entry) {
      return new Says(entry instanceof Grant, entry.subject(), entry instanceof Grant grant ? grant.role() : ((Withholding) entry).rights(), entry.types(), entry.period());
    }
  }

  Structure structure() {
    return snapshot.structure();
  }

  SnapshotAt moment() {
    return snapshot.at(now);
  }

  /** Entries that have not ended, in a stable order. */
  Stream<Entry> current() {
    return structure().entries().filter(entry -> !entry.period().endedBy(now)).sorted(Comparator.comparing(Entry::place).thenComparing(Entry::id));
  }

  Stream<Grant> currentGrants() {
    return current().filter(Grant.class::isInstance).map(Grant.class::cast);
  }

  static Change removal(Entry entry) {
    return entry instanceof Grant ? new AccessChange.RemoveGrant(entry.place(), entry.id()) : new AccessChange.RemoveWithholding(entry.place(), entry.id());
  }

  /** One grant in the place of several at a place, which keeps what was noted at them. */
  Grant inPlaceOf(List<Grant> several, Subject subject, String role) {
    Grant first = several.get(0);
    Set<String> notes = several.stream().map(Grant::note).filter(Objects::nonNull).collect(Collectors.toCollection(LinkedHashSet::new));
    return new Grant(ids.get(), first.place(), subject, role, first.types(), first.period(), notes.isEmpty() ? null : together(List.copyOf(notes)));
  }

  /** As many notes as fit into one, and how many more there were: those stand in the journal. */
  private static String together(List<String> notes) {
    for (int kept = notes.size(); kept > 0; kept--) {
      String text = String.join("; ", notes.subList(0, kept)) + (kept == notes.size() ? "" : "; and " + (notes.size() - kept) + " more");
      if (text.length() <= WellFormed.TEXT_AT_MOST) {
        return text;
      }
    }
    return notes.size() + " notes that are too long together";
  }

  /** A name that nothing else of its kind has, and that is not too long for one. */
  static String free(String wanted, String otherwise, Set<String> taken) {
    String name = wanted.length() <= WellFormed.NAME_AT_MOST - 10 ? wanted : otherwise;
    return IntStream.iterate(1, i -> i + 1).mapToObj(i -> i == 1 ? name : name + " (" + i + ")").filter(one -> !taken.contains(one)).findFirst().orElseThrow();
  }

  String words(Entry entry) {
    return (entry instanceof Grant grant ? "“" + role(grant.role()) + "”" : "withholding") + " for " + SubjectNames.of(entry.subject(), structure()) + " at " + path(entry.place());
  }

  String role(String id) {
    return structure().roles().get(id).name();
  }

  String path(String place) {
    return snapshot.pathText(snapshot.placeNumber(place));
  }
}
