package palegate.cli;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Trace;
import palegate.core.access.Withholding;
import palegate.core.people.Subject;
import palegate.core.roles.Rights;
import palegate.core.snapshot.Snapshot;
import palegate.core.structure.Structure;

/** A trace as plain text. */
final class TraceText {
  private final Structure structure;
  private final StringBuilder text = new StringBuilder();

  private TraceText(Structure structure) {
    this.structure = structure;
  }

  static String of(Trace trace, Snapshot snapshot, int place) {
    TraceText made = new TraceText(snapshot.structure());
    made.line("person  " + trace.person() + "  " + made.structure.people().get(trace.person()).name());
    made.line("place   " + trace.place() + "  " + snapshot.pathText(place));
    made.line("at      " + trace.instant());
    made.line("rights  " + shown(trace.rights()));
    if (!trace.standing().equals(trace.rights())) {
      made.line("standing rights, without conditions: " + shown(trace.standing()));
    }
    trace.stages().forEach(made::step);
    if (trace.withoutWalls() != null) {
      made.line("");
      made.line("without the wall: " + shown(trace.withoutWalls().rights()));
      trace.withoutWalls().stages().forEach(made::step);
    }
    trace.silent().forEach(made::silent);
    return made.text.toString();
  }

  private void step(Trace.Step step) {
    line("");
    line("stage " + step.number() + "  " + step.title() + ": " + step.reason());
    line("         " + shown(step.before()) + " -> " + shown(step.after()));
    for (Trace.Acting acting : step.acting()) {
      line("  " + entry(acting.entry()) + (acting.here() ? ", here" : ", from above"));
      paths(acting.paths(), acting.morePaths());
    }
    for (Trace.Guard guard : step.guards()) {
      line("  " + guard.kind() + (guard.id() == null ? "" : " " + guard.id()) + ": " + guard.words()
          + (guard.reason() == null ? "" : " (" + guard.reason() + ")"));
      paths(guard.paths(), guard.morePaths());
    }
  }

  private void paths(List<Trace.MembershipPath> paths, boolean more) {
    for (Trace.MembershipPath path : paths) {
      line("      by  " + (path.links().isEmpty() ? "being named"
          : path.links().stream().map(link -> link.kind() + " " + link.id() + " (" + name(link) + ")")
              .collect(Collectors.joining(" > "))));
    }
    if (more) {
      line("      and by more chains of memberships than are listed");
    }
  }

  private void silent(Trace.Silent silent) {
    line("");
    line("no effect: " + entry(silent.entry()) + ": " + silent.why().words());
  }

  private String entry(Entry entry) {
    String what = entry instanceof Grant grant
        ? "grant " + entry.id() + ": role " + grant.role() + " to "
        : "withholding " + entry.id() + ": " + ((Withholding) entry).rights() + " from ";
    return what + subject(entry.subject()) + " at " + entry.place()
        + (entry.types().isEmpty() ? "" : ", for types " + entry.types().stream().sorted().collect(Collectors.joining(", ")))
        + (entry.period().until() == null ? "" : ", until " + entry.period().until());
  }

  private static String subject(Subject subject) {
    return subject instanceof Subject.BuiltIn builtIn ? builtIn.title().toLowerCase(Locale.ROOT)
        : subject.kind() + " " + subject.id();
  }

  private String name(Trace.Link link) {
    return link.kind().equals("unit") ? structure.units().get(link.id()).name() : structure.groups().get(link.id()).name();
  }

  private static String shown(Rights rights) {
    return rights.isEmpty() ? "(none)" : rights.toString();
  }

  private void line(String line) {
    text.append(line).append('\n');
  }
}
