package palegate.core.findings;

import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.access.Withholding;
import palegate.core.people.Subject;
import palegate.core.questions.AccessList;
import palegate.core.rehearsal.Rehearsal;
import palegate.core.snapshot.Snapshot;

/** Entries that do nothing. */
final class EntryWithoutEffect implements Rule {
  @Override
  public String code() {
    return "entry-without-effect";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "entries that do nothing";
  }

  @Override
  public String matters() {
    return "Somebody thinks that it gives or takes something.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    return idle(survey).filter(line -> !(line.entry().subject() instanceof Subject.OfPerson && line.sameAs() != null)).map(line -> new Finding(code(), severity(), "entry:" + line.entry().id(), "", words(survey, line), List.of(),
        List.of(Fix.of("Remove the entry", EntryEnded.removal(line.entry())))));
  }

  @Override
  public boolean isOfWhole() {
    return true;
  }

  /** Own lines that do nothing, where they stand. */
  static Stream<AccessList.Line> idle(Survey survey) {
    return survey.once("idle lines", () -> lookForIdle(survey)).stream();
  }

  private static List<AccessList.Line> lookForIdle(Survey survey) {
    Snapshot snapshot = survey.snapshot();
    return snapshot.places().filter(place -> !snapshot.ownEntries(place).isEmpty()).boxed().sorted(Comparator.comparing(place -> snapshot.place(place).id()))
        .flatMap(place -> AccessList.of(snapshot, survey.now(), place).lines().stream().filter(line -> line.own() && (line.state() == AccessList.State.SHADOWED || line.state() == AccessList.State.NOBODY)))
        .filter(line -> changesNothing(survey, line.entry())).sorted(Comparator.comparing((AccessList.Line line) -> line.entry().id())).toList();
  }

  /** Nor further down, nor later. */
  private static boolean changesNothing(Survey survey, Entry entry) {
    return Rehearsal.of(survey.snapshot(), List.of(EntryEnded.removal(entry)), survey.now(), null).differences().stream().allMatch(difference -> difference.people().isEmpty());
  }

  private static String words(Survey survey, AccessList.Line line) {
    String what = (line.entry() instanceof Withholding ? "What is withheld from " : "What is given to ") + survey.name(line.entry().subject()) + " at " + survey.path(line.entry().place());
    if (line.state() == AccessList.State.NOBODY) {
      return what + " reaches nobody who is active.";
    }
    return what + (line.entry() instanceof Withholding ? " takes nothing that they would have." : " gives nothing that they would not have without it.");
  }
}
