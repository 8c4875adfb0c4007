package palegate.server.drafts;

import java.util.List;
import java.util.stream.Collectors;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.drafts.Change;
import palegate.core.roles.Role;
import palegate.core.structure.Structure;
import palegate.server.people.SubjectNames;

/** A change as a sentence. */
final class DraftWords {
  private final Structure structure;

  DraftWords(Structure structure) {
    this.structure = structure;
  }

  String of(ChangeBody body) {
    if (body instanceof ChangeBody.AddGrant add) {
      return "Give " + role(add.role()) + " to " + SubjectNames.of(add.subject().toCore(), structure);
    }
    if (body instanceof ChangeBody.AddWithholding add) {
      return "Withhold " + String.join(", ", add.rights()) + " from " + SubjectNames.of(add.subject().toCore(), structure);
    }
    if (body instanceof ChangeBody.RemoveGrant remove) {
      return "Remove the grant of " + entry(structure.grants().get(remove.entry()));
    }
    if (body instanceof ChangeBody.RemoveWithholding remove) {
      return "Remove the withholding of " + entry(structure.withholdings().get(remove.entry()));
    }
    if (body instanceof ChangeBody.BreakPlace broken) {
      return "Break, " + (broken.start() == Change.Start.CARRY_OVER ? "carrying the entries over" : "starting empty") + keepers(broken);
    }
    return "Rejoin" + (((ChangeBody.RejoinPlace) body).below() ? ", and everything below it too" : "");
  }

  private String keepers(ChangeBody.BreakPlace broken) {
    List<ChangeBody.Keeper> keepers = broken.keepers() == null ? List.of() : broken.keepers();
    return keepers.isEmpty() ? "" : ", with " + keepers.stream()
        .map(keeper -> SubjectNames.of(keeper.subject().toCore(), structure) + " as " + role(keeper.role()))
        .collect(Collectors.joining(", "));
  }

  private String entry(Entry entry) {
    if (entry == null) {
      return "an entry that is no longer there";
    }
    return (entry instanceof Grant grant ? role(grant.role()) + " to " : ((Withholding) entry).rights() + " from ")
        + SubjectNames.of(entry.subject(), structure);
  }

  private String role(String id) {
    Role role = structure.roles().get(id);
    return role == null ? id : role.name();
  }
}
