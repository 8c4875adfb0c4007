package palegate.server.asking;

import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.asking.Answer;
import palegate.core.asking.Answering;
import palegate.core.asking.Completion;
import palegate.core.asking.Named;
import palegate.core.asking.Question;
import palegate.core.asking.QuestionReader;
import palegate.core.snapshot.Snapshot;
import palegate.server.shell.MayBeMissing;
import palegate.server.store.History;
import palegate.server.viewpoint.Viewpoints;

/** Answers what is typed as a question; what is none is no error, but is not understood. */
@RestController
class AskController {
  /** {@code text} asks the same of just this one. */
  record Meaning(String kind, String id, String name, String about, String text) {}

  record AskedBack(String typed, List<Meaning> options) {}

  /** Where the evidence is: {@code kind} is why, people, reach, history, wall or ways. */
  record Proofs(String kind, @MayBeMissing String person, @MayBeMissing String place, @MayBeMissing String thing, @MayBeMissing String thingName, @MayBeMissing String right, @MayBeMissing Instant at) {}

  /** {@code understood} is false for what is no question; then everything else is missing or empty. */
  record AnswerView(boolean understood, @MayBeMissing String reading, @MayBeMissing String sentence, List<AskedBack> askedBack, List<String> missing, @MayBeMissing Proofs evidence) {}

  private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM yyyy", Locale.UK);

  private final Viewpoints viewpoints;
  private final History history;
  private final Clock clock;

  AskController(Viewpoints viewpoints, History history, Clock clock) {
    this.viewpoints = viewpoints;
    this.history = history;
    this.clock = clock;
  }

  /** {@code zone} says whose days are meant, as Europe/London; UTC if it is left out or none. */
  @GetMapping("/api/asking")
  AnswerView ask(@RequestParam String text, @RequestParam(required = false) String zone, Principal who) {
    ZoneId days = zone == null || !ZoneId.getAvailableZoneIds().contains(zone) ? ZoneOffset.UTC : ZoneId.of(zone);
    Instant now = clock.instant();
    Optional<Question> read = QuestionReader.read(text, LocalDate.ofInstant(now, days));
    if (read.isEmpty()) {
      return new AnswerView(false, null, null, List.of(), List.of(), null);
    }
    Question question = read.get();
    LocalDate day = question instanceof Question.Can can ? can.day() : question instanceof Question.WhoCan asked ? asked.day() : question instanceof Question.WhatCan what ? what.day() : null;
    // A day is asked about as it was at its end, or is now.
    Instant end = day == null ? null : day.plusDays(1).atStartOfDay(days).toInstant().minusSeconds(1);
    Instant at = end != null && day.equals(LocalDate.ofInstant(now, days)) ? null : end;
    Snapshot snapshot = at != null && at.isBefore(now) ? viewpoints.known(who.getName(), history.at(at)).snapshot() : viewpoints.known(who.getName()).snapshot();
    Answer answer = Answering.of(question, snapshot.at(at == null ? now : at), at == null ? "" : "at the end of " + DAY.format(day));
    Answer.Evidence found = answer.evidence();
    boolean whole = answer.choices().isEmpty() && answer.missing().isEmpty();
    return new AnswerView(true, answer.reading(), answer.sentence(), answer.choices().stream().map(choice -> new AskedBack(choice.typed(), choice.options().stream().map(option -> meaning(option, choice.typed(), text)).toList())).toList(),
        answer.missing(), whole ? new Proofs(found.kind(), id(found.person()), id(found.place()), found.thing() == null ? null : found.thing().kind() + ":" + found.thing().id(), found.thing() == null ? null : found.thing().name(),
            found.right() == null ? null : found.right().word(), at) : null);
  }

  /** How what is being typed may go on, as far as the asker knows the names. */
  @GetMapping("/api/asking/completions")
  List<String> completions(@RequestParam String text, Principal who) {
    return Completion.of(text, viewpoints.known(who.getName()).snapshot());
  }

  private static Meaning meaning(Named option, String typed, String text) {
    int from = text.indexOf(typed);
    return new Meaning(option.kind(), option.id(), option.name(), option.about(), from < 0 ? text : text.substring(0, from) + option.id() + text.substring(from + typed.length()));
  }

  private static String id(Named named) {
    return named == null ? null : named.id();
  }
}
