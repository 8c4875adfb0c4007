package palegate.core.findings;

import java.util.List;
import java.util.stream.Stream;
import palegate.core.questions.BreakRegister;

/** Breaks for very few people. */
final class BreakNearlySame implements Rule {
  @Override
  public String code() {
    return "break-nearly-same";
  }

  @Override
  public Severity severity() {
    return Severity.UNTIDY;
  }

  @Override
  public String title() {
    return "breaks for very few people";
  }

  @Override
  public String matters() {
    return "A few people differ, and everything else has to be kept alike by hand.";
  }

  @Override
  public Stream<Finding> find(Survey survey) {
    int most = survey.limits().nearlySamePeople();
    return BreakSameAsParent.doingLittle(survey).flatMap(little -> {
      int people = little.altered();
      BreakRegister.Break one = little.it();
      return people == 0 || people > most ? Stream.empty() : Stream.of(new Finding(code(), severity(), "place:" + one.place().id(), "", survey.path(one.place().id()) + " stands alone for the sake of " + people + (people == 1 ? " person." : " people."),
          List.of(one.sameAsParent() ? "At the place itself everybody has the same; on documents below they do not." : one.adds() + " have more there than above (" + one.gained() + "), " + one.removes() + " have less (" + one.lost() + ")."),
          List.of(BreakSameAsParent.rejoin(one))));
    });
  }

  @Override
  public boolean fixesAreSure() {
    return false;
  }
}
