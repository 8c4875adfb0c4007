package palegate.core.access.stages;

import java.util.List;
import palegate.core.roles.Rights;

/** The stages in their order. */
public final class Pipeline {
  /** Every stage that exists, in the order of section 6. */
  public static final List<Stage> STAGES =
      List.of(new ActiveStage(), new GrantStage(), new WithholdingStage(), new CloseStage());

  private Pipeline() {}

  public static Rights rights(PersonAtPlace asked) {
    Rights rights = Rights.NONE;
    for (Stage stage : STAGES) {
      rights = stage.apply(rights, asked);
      if (stage.stops(asked)) {
        return Rights.NONE;
      }
    }
    return rights;
  }

  public static Holders holders(EveryoneAtPlace asked) {
    Holders holders = new Holders();
    for (Stage stage : STAGES) {
      stage.apply(holders, asked);
    }
    return holders;
  }
}
