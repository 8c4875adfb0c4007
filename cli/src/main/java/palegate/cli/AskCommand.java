package palegate.cli;

import java.io.IOException;
import java.io.PrintWriter;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.concurrent.Callable;
import palegate.core.asking.Answer;
import palegate.core.asking.Answering;
import palegate.core.asking.Named;
import palegate.core.asking.Question;
import palegate.core.asking.QuestionReader;
import palegate.core.snapshot.Snapshot;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

/** Answers a question typed in plain words. */
@Command(name = "ask", mixinStandardHelpOptions = true, description = "Answers a question typed in plain words (docs/questions.md). Exits with 3 if it has to be said more exactly.",
    footerHeading = "%nExamples:%n", footer = {
        "  palegate ask --bundle harbour.json \"can Mia read Valuation in C-2406\"",
        "  palegate ask --bundle harbour.json \"who can delete in People files\""})
final class AskCommand implements Callable<Integer> {
  private final Clock clock;
  @Spec private CommandSpec spec;
  @Option(names = "--bundle", required = true, paramLabel = "FILE", description = "The bundle to read.") private Path bundle;
  @Option(names = "--at", paramLabel = "INSTANT", converter = InstantConverter.class, description = "The instant asked about; now if left out.") private Instant at;
  @Parameters(paramLabel = "QUESTION", description = "The question, in quotation marks.") private String text;

  AskCommand(Clock clock) {
    this.clock = clock;
  }

  @Override
  public Integer call() throws Exception {
    Snapshot snapshot = BundleFile.snapshot(bundle);
    Instant now = at == null ? clock.instant() : at;
    Question question = QuestionReader.read(text, LocalDate.ofInstant(now, ZoneOffset.UTC))
        .orElseThrow(() -> new IOException("That is none of the questions that can be asked. Try: can Mia read Valuation in C-2406; who can delete in People files; docs/questions.md lists them."));
    if (question instanceof Question.WhatChanged) {
      throw new IOException("A bundle is one state: what changed is known to the running application only.");
    }
    LocalDate day = question instanceof Question.Can can ? can.day() : question instanceof Question.WhoCan who ? who.day() : question instanceof Question.WhatCan what ? what.day() : null;
    Instant instant = day == null ? now : day.plusDays(1).atStartOfDay(ZoneOffset.UTC).toInstant().minusSeconds(1);
    Answer answer = Answering.of(question, snapshot.at(instant), day == null ? "" : "at the end of " + day + ", as the bundle has it");
    PrintWriter out = spec.commandLine().getOut();
    out.println(answer.reading() + ".");
    answer.missing().forEach(name -> out.println("There is nothing called “" + name + "”."));
    answer.choices().forEach(choice -> {
      out.println("“" + choice.typed() + "” may be:");
      choice.options().forEach(option -> out.println("  " + option.id() + "  " + option.name() + " (" + option.about() + ")"));
      if (choice.options().size() >= Named.ASKED_BACK_AT_MOST) {
        out.println("  There may be more: type more of the name.");
      }
    });
    if (answer.sentence() != null) {
      out.println(answer.sentence());
    }
    out.flush();
    return answer.sentence() == null ? 3 : 0;
  }
}
