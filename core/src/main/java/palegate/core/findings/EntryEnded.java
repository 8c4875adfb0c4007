package palegate.core.findings;

import java.util.List;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.changes.AccessChange;
import palegate.core.changes.Change;

/** Entries that ended. */
final class EntryEnded implements Rule {
  @Override
  public String code() {
    return "entry-ended";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "entries that ended";
  }

  @Override
  public String matters() {
    return "They say nothing any more, and whoever reads the list reads them.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return survey.entries().filter(entry -> entry.period().endedBy(survey.now())).map(entry -> new Finding(code(), severity(), "entry:" + entry.id(), "", "An entry for " + survey.name(entry.subject()) + " at " + survey.path(entry.place()) + " ended "
        + Survey.end(entry.period().until()) + " and still stands there.", List.of(), List.of(Fix.of("Remove the entry", removal(entry)))));
  }

  static Change removal(Entry entry) {
    return entry instanceof Grant ? new AccessChange.RemoveGrant(entry.place(), entry.id()) : new AccessChange.RemoveWithholding(entry.place(), entry.id());
  }
}
