package palegate.core.findings;

import java.util.List;
import java.util.Optional;

/** Every rule, the gravest first. */
public final class Rules {
  public static final List<Rule> ALL = List.of(
      new OutsiderInStaffGroup(), new OutsiderWithStaffRole(), new EveryoneCanGovern(), new NoKeeper(), new TypeClearedForNobody(),
      new WallConflicts(), new WallGapGiven(), new SeparationBroken(), new WallCoversNothing(), new WallCoversEverything(), new RightsBeyondPeers(), new SingleKeeper(),
      new WithholdingWorkedAround(), new TypeClearedForEverybody(), new WallGapsFound(), new WallMisfitsFound(), new ShareOpenEnded(), new PassOpen(), new WallExceptionWithoutEnd(), new WallOverdue(),
      new OverseerInactive(), new ConditionTooLong(), new OwnerInactive(), new EndsSoon(), new EntryEnded(),
      new MembershipEnded(), new EntryWithoutEffect(), new PersonEntryCoveredByGroup(), new PersonEntriesEqualAGroup(), new GroupEmpty(),
      new GroupSameAsAnother(), new GroupNestedTwice(), new BreakSameAsParent(), new BreakNearlySame(), new RequiredFieldMissing(),
      new RoleUnused(), new RoleSameAsAnother(), new OversightWithoutEnd(), new DutyWithoutEnd(), new PassUnused(), new PeopleWithNothing(),
      new RightUnused(), new DutyUnused(), new BreakWithoutReason(), new DraftForgotten());

  private Rules() {}

  public static Optional<Rule> of(String code) {
    return ALL.stream().filter(rule -> rule.code().equals(code)).findFirst();
  }
}
