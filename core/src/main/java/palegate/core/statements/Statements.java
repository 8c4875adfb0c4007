package palegate.core.statements;

import java.time.Instant;
import palegate.core.snapshot.Snapshot;

/** Makes every kind of statement that a structure alone can answer. */
public final class Statements {
  private Statements() {}

  /**
   * The statement that a recipe asks for. Counting is done here, rows are made as they are read.
   *
   * @throws RefusedRecipe if it names something that is not there, or takes more than a structure
   */
  public static StatementTable of(Snapshot snapshot, Instant instant, Recipe recipe) {
    AskedStatement asked = new AskedStatement(snapshot, instant, recipe);
    StatementTable table = switch (recipe.kind()) {
      case PLACE, SUBJECT, EVERYONE -> AccessStatement.of(asked);
      case LISTS -> ListsStatement.of(asked);
      case BREAKS -> BreaksStatement.of(asked);
      case WALLS -> WallsStatement.of(asked);
      case OUTSIDERS -> OutsidersStatement.of(asked);
      case CLEARANCES -> ClearancesStatement.of(asked);
      case DUTIES -> DutiesStatement.of(asked);
      case CONDITIONS -> ConditionsStatement.of(asked);
      case SHARES -> SharesStatement.of(asked);
      case ROLES -> RolesStatement.of(asked);
      case GROUPS -> GroupsStatement.of(asked);
      case OPENINGS, CHANGES, DIFFERENCE, ROUND -> throw new RefusedRecipe("kind", "A statement of the kind [" + recipe.kind().word() + "] is made from what the server keeps, not from a structure.",
          "Make it in the room Statements.");
    };
    return table.only(recipe.columns());
  }

  /** What such a statement says, in a sentence. */
  public static String titleOfPairs(Snapshot snapshot, Instant instant, Recipe recipe) {
    return AccessStatement.title(new AskedStatement(snapshot, instant, recipe));
  }

  /** The rows of people at places that a recipe of the kinds place and subject asks for, one after another and in any order. */
  public static Statement pairs(Snapshot snapshot, Instant instant, Recipe recipe) {
    return AccessStatement.statement(new AskedStatement(snapshot, instant, recipe));
  }
}
