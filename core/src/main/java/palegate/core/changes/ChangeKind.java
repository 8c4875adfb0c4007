package palegate.core.changes;

import java.util.Arrays;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;

/** Every kind of change: its name in the API, in files of changes, in the journal and in rules of approval, and how it is written. */
public enum ChangeKind {
  ADD_GRANT("addGrant", AccessChange.AddGrant.SHAPE),
  REMOVE_GRANT("removeGrant", AccessChange.RemoveGrant.SHAPE),
  ADD_WITHHOLDING("addWithholding", AccessChange.AddWithholding.SHAPE),
  REMOVE_WITHHOLDING("removeWithholding", AccessChange.RemoveWithholding.SHAPE),
  BREAK("break", AccessChange.BreakPlace.SHAPE),
  REJOIN("rejoin", AccessChange.RejoinPlace.SHAPE),
  SET_GUARDS("setGuards", GuardChange.SetGuards.SHAPE),
  RELEASE("release", GuardChange.Release.SHAPE),
  PUT_UNDER("putUnder", GuardChange.PutUnder.SHAPE),
  ADD_OVERSIGHT("addOversight", OversightChange.AddOversight.SHAPE),
  REMOVE_OVERSIGHT("removeOversight", OversightChange.RemoveOversight.SHAPE),
  ADD_PLACE("addPlace", PlaceChange.AddPlace.SHAPE),
  RENAME_PLACE("renamePlace", PlaceChange.RenamePlace.SHAPE),
  MOVE_PLACE("movePlace", PlaceChange.MovePlace.SHAPE),
  SET_DOCUMENT("setDocument", PlaceChange.SetDocument.SHAPE),
  SET_LABELS("setLabels", PlaceChange.SetLabels.SHAPE),
  REMOVE_PLACE("removePlace", PlaceChange.RemovePlace.SHAPE),
  SET_PERSON("setPerson", PeopleChange.SetPerson.SHAPE),
  SET_UNIT("setUnit", PeopleChange.SetUnit.SHAPE),
  REMOVE_UNIT("removeUnit", PeopleChange.RemoveUnit.SHAPE),
  SET_GROUP("setGroup", PeopleChange.SetGroup.SHAPE),
  REMOVE_GROUP("removeGroup", PeopleChange.RemoveGroup.SHAPE),
  ADD_MEMBER("addMember", MembershipChange.AddMember.SHAPE),
  REMOVE_MEMBER("removeMember", MembershipChange.RemoveMember.SHAPE),
  SET_ROLE("setRole", RoleChange.SetRole.SHAPE),
  REMOVE_ROLE("removeRole", RoleChange.RemoveRole.SHAPE),
  SET_TYPE("setType", TypeChange.SetType.SHAPE),
  REMOVE_TYPE("removeType", TypeChange.RemoveType.SHAPE),
  ADD_CLEARANCE("addClearance", ClearanceChange.AddClearance.SHAPE),
  REMOVE_CLEARANCE("removeClearance", ClearanceChange.RemoveClearance.SHAPE),
  SET_WALL("setWall", WallChange.SetWall.SHAPE),
  REMOVE_WALL("removeWall", WallChange.RemoveWall.SHAPE),
  ADD_EXCEPTION("addException", WallChange.AddException.SHAPE),
  REMOVE_EXCEPTION("removeException", WallChange.RemoveException.SHAPE),
  SET_APPROVAL("setApproval", ApprovalChange.SetApproval.SHAPE),
  REMOVE_APPROVAL("removeApproval", ApprovalChange.RemoveApproval.SHAPE),
  SET_DUTY("setDuty", DutyChange.SetDuty.SHAPE),
  REMOVE_DUTY("removeDuty", DutyChange.RemoveDuty.SHAPE),
  ADD_SHARE("addShare", ShareChange.AddShare.SHAPE),
  TAKE_BACK_SHARE("takeBackShare", ShareChange.TakeBackShare.SHAPE),
  SET_SHARING("setSharing", ShareChange.SetSharing.SHAPE),
  REMOVE_SHARING("removeSharing", ShareChange.RemoveSharing.SHAPE),
  SET_PASS("setPass", PassChange.SetPass.SHAPE),
  OPEN_PASS("openPass", PassChange.OpenPass.SHAPE),
  TAKE_BACK_PASS("takeBackPass", PassChange.TakeBackPass.SHAPE),
  SET_SHORTLIST("setShortlist", ShortlistChange.SetShortlist.SHAPE),
  REMOVE_SHORTLIST("removeShortlist", ShortlistChange.RemoveShortlist.SHAPE),
  SET_SEPARATION("setSeparation", SeparationChange.SetSeparation.SHAPE),
  REMOVE_SEPARATION("removeSeparation", SeparationChange.RemoveSeparation.SHAPE);

  private static final Map<String, ChangeKind> BY_WORD = Arrays.stream(values()).collect(Collectors.toMap(ChangeKind::word, Function.identity()));

  private final String word;
  private final Shape<? extends Change> shape;

  ChangeKind(String word, Shape<? extends Change> shape) {
    this.word = word;
    this.shape = shape;
  }

  public String word() {
    return word;
  }

  Shape<? extends Change> shape() {
    return shape;
  }

  public static Optional<ChangeKind> parse(String word) {
    return Optional.ofNullable(BY_WORD.get(word));
  }
}
