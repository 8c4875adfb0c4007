package palegate.core.asking;

import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.Month;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.antlr.v4.runtime.BailErrorStrategy;
import org.antlr.v4.runtime.CharStreams;
import org.antlr.v4.runtime.CommonTokenStream;
import org.antlr.v4.runtime.ParserRuleContext;
import org.antlr.v4.runtime.misc.Interval;
import org.antlr.v4.runtime.misc.ParseCancellationException;
import palegate.core.roles.Right;

/** Reads a typed question by the grammar of {@code Questions.g4}. A day without a year is the last one of that name. */
public final class QuestionReader {
  /** Longer texts are no questions. */
  public static final int LONGEST = 300;

  private static final int EARLIEST = 1970;
  private static final int LATEST = 9999;

  private final LocalDate today;

  private QuestionReader(LocalDate today) {
    this.today = today;
  }

  /** Empty if the text is none of the questions that can be typed. O(letters) for questions, bounded by {@link #LONGEST}. */
  public static Optional<Question> read(String text, LocalDate today) {
    if (text.isBlank() || text.length() > LONGEST) {
      return Optional.empty();
    }
    QuestionsLexer lexer = new QuestionsLexer(CharStreams.fromString(text.strip()));
    lexer.removeErrorListeners();
    QuestionsParser parser = new QuestionsParser(new CommonTokenStream(lexer));
    parser.removeErrorListeners();
    parser.setErrorHandler(new BailErrorStrategy());
    try {
      return Optional.of(new QuestionReader(today).question(parser.question()));
    } catch (ParseCancellationException | DateTimeException | NumberFormatException none) {
      return Optional.empty();
    }
  }

  private Question question(QuestionsParser.QuestionContext asked) {
    if (asked.why() != null) {
      return new Question.Can(text(asked.why().person), right(asked.why().act()), text(asked.why().place), day(asked.why().when()));
    }
    if (asked.can() != null) {
      return new Question.Can(text(asked.can().person), right(asked.can().act()), text(asked.can().place), day(asked.can().when()));
    }
    if (asked.whoCan() != null) {
      return new Question.WhoCan(asked.whoCan().act() == null ? null : right(asked.whoCan().act()), text(asked.whoCan().place), day(asked.whoCan().when()));
    }
    if (asked.whatCan() != null) {
      return new Question.WhatCan(text(asked.whatCan().subject), asked.whatCan().act() == null ? null : right(asked.whatCan().act()), day(asked.whatCan().when()));
    }
    if (asked.whatChanged() != null) {
      return new Question.WhatChanged(text(asked.whatChanged().thing), asked.whatChanged().since() == null ? null : day(asked.whatChanged().since().date()));
    }
    if (asked.whoBehind() != null) {
      return new Question.WhoBehind(text(asked.whoBehind().wall));
    }
    return new Question.WhatTakes(text(asked.whatTakes().person), right(asked.whatTakes().act()), text(asked.whatTakes().place));
  }

  /** As it was typed, without a preposition that only leads to it. */
  private static String text(ParserRuleContext name) {
    String typed = name.start.getInputStream().getText(Interval.of(name.start.getStartIndex(), name.stop.getStopIndex())).strip();
    return name instanceof QuestionsParser.RestContext ? typed.replaceFirst("(?i)^(in|on|at|to|the) (?=.)", "").strip() : typed;
  }

  private static Right right(QuestionsParser.ActContext act) {
    return act.FIND() != null || act.SEE() != null ? Right.FIND : act.READ() != null || act.OPEN() != null || act.VIEW() != null ? Right.READ
        : act.COPY() != null || act.COPIES() != null || act.DOWNLOAD() != null ? Right.COPY : act.ADD() != null || act.FILE() != null ? Right.ADD
        : act.DESCRIBE() != null ? Right.DESCRIBE : act.REVISE() != null || act.CHANGE() != null || act.EDIT() != null ? Right.REVISE
        : act.DELETE() != null || act.REMOVE() != null ? Right.DELETE : act.SHARE() != null ? Right.SHARE : act.GOVERN() != null || act.MANAGE() != null ? Right.GOVERN : null;
  }

  private LocalDate day(QuestionsParser.WhenContext when) {
    return when == null ? null : day(when.date());
  }

  private LocalDate day(QuestionsParser.DateContext date) {
    LocalDate read = read(date);
    if (read.getYear() < EARLIEST || read.getYear() > LATEST) {
      throw new DateTimeException("Nothing was kept, or will be known, in the year [" + read.getYear() + "].");
    }
    return read;
  }

  private LocalDate read(QuestionsParser.DateContext date) {
    if (date.ISO() != null) {
      return LocalDate.parse(date.ISO().getText());
    }
    if (date.MONTH() == null) {
      return date.TODAY() != null ? today : today.minusDays(1);
    }
    Month month = Stream.of(Month.values()).filter(one -> one.name().toLowerCase(Locale.ROOT).startsWith(date.MONTH().getText().toLowerCase(Locale.ROOT).substring(0, 3))).findFirst().orElseThrow();
    boolean first = !date.NUMBER().isEmpty() && date.NUMBER(0).getSymbol().getTokenIndex() < date.MONTH().getSymbol().getTokenIndex();
    int dayOfMonth = first ? Integer.parseInt(date.NUMBER(0).getText()) : 1;
    int yearAt = first ? 1 : 0;
    if (date.NUMBER().size() > yearAt) {
      return LocalDate.of(Integer.parseInt(date.NUMBER(yearAt).getText()), month, dayOfMonth);
    }
    LocalDate thisYear = LocalDate.of(today.getYear(), month, dayOfMonth);
    return thisYear.isAfter(today) ? thisYear.minusYears(1) : thisYear;
  }
}
