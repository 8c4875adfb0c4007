package palegate.server.statements;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.statements.StatementCheck;
import palegate.core.statements.StatementDifference;
import palegate.core.statements.StatementIdentity;
import palegate.server.shell.Problem;

/** Holds two statements against each other that were made of the same question at different times: which rows came, went, or say something else. */
@RestController
@RequestMapping("/api/statements/comparison")
class StatementComparisonController {
  /** The identities that two files carry. */
  record TwoIdentities(@NotNull(message = "Say which statement is the earlier one.") @Size(max = 2_000, message = "An identity has at most 2,000 characters.") String before,
      @NotNull(message = "Say which statement is the later one.") @Size(max = 2_000, message = "An identity has at most 2,000 characters.") String after) {}

  record AlteredRow(List<String> was, List<String> is) {}

  /** What one of the two is. */
  record Side(long change, Instant at, String title) {}

  /** The lists name the first two hundred of each; the numbers count all. */
  record StatementsCompared(Side before, Side after, String recipe, List<String> columns, int came, int went, int altered, List<List<String>> cameRows, List<List<String>> wentRows, List<AlteredRow> alteredRows) {}

  private static final int ROWS_AT_MOST = 300_000;
  private static final int NAMED_AT_MOST = 200;

  private final MadeStatements statements;

  StatementComparisonController(MadeStatements statements) {
    this.statements = statements;
  }

  /** Both are made again, as whoever asks may know them today; whether a file still says so is asked of it alone. The earlier one is the one of the earlier instant. */
  @PostMapping
  StatementsCompared compare(@Valid @RequestBody TwoIdentities asked, Principal who) {
    List<Problem.Fault> faults = new ArrayList<>();
    Optional<StatementIdentity> one = identity("before", asked.before(), faults);
    Optional<StatementIdentity> other = identity("after", asked.after(), faults);
    if (!faults.isEmpty()) {
      throw Problem.faults("The statements cannot be compared.", faults);
    }
    boolean turned = other.get().at().isBefore(one.get().at());
    StatementIdentity first = turned ? other.get() : one.get();
    StatementIdentity second = turned ? one.get() : other.get();
    if (!first.recipe().since(null).equals(second.recipe().since(null))) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "not-alike", "Not the same question",
          "One was asked [" + first.recipe().text() + "], the other [" + second.recipe().text() + "]. Compare two statements that were asked the same, with the same columns.");
    }
    MadeStatements.Made before = statements.makeOf(first.recipe(), first.at(), first.change().orElseThrow(), who.getName());
    MadeStatements.Made after = statements.makeOf(second.recipe(), second.at(), second.change().orElseThrow(), who.getName());
    try {
      StatementDifference found = StatementDifference.of(before.table(), after.table(), ROWS_AT_MOST);
      return new StatementsCompared(side(before), side(after), second.recipe().text(), found.columns(), found.added().size(), found.gone().size(), found.altered().size(),
          found.added().stream().limit(NAMED_AT_MOST).toList(), found.gone().stream().limit(NAMED_AT_MOST).toList(), found.altered().stream().limit(NAMED_AT_MOST).map(row -> new AlteredRow(row.was(), row.is())).toList());
    } catch (StatementCheck.TooMuch tooMuch) {
      throw Problem.of(HttpStatus.UNPROCESSABLE_CONTENT, "too-many-rows", "Too many rows to compare here", "One of them has more than " + ROWS_AT_MOST + " rows. Put the rows together, or ask for a smaller place.");
    }
  }

  private static Optional<StatementIdentity> identity(String place, String text, List<Problem.Fault> faults) {
    Optional<StatementIdentity> identity = StatementIdentity.parse(text).filter(found -> found.change().isPresent());
    if (identity.isEmpty()) {
      faults.add(new Problem.Fault(place, "This is not the identity of a statement that was made here.", "Copy the line that begins with “Pale Gate statement” from the file, whole."));
    }
    return identity;
  }

  private static Side side(MadeStatements.Made made) {
    return new Side(made.change(), made.at(), made.table().title());
  }
}
