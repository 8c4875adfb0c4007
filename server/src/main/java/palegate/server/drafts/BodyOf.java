package palegate.server.drafts;

import java.util.List;
import palegate.core.access.Grant;
import palegate.core.access.Oversight;
import palegate.core.access.Withholding;
import palegate.core.drafts.ApprovalChange;
import palegate.core.drafts.Change;
import palegate.core.drafts.LayoutChange;
import palegate.core.drafts.PeopleChange;
import palegate.core.drafts.RoleChange;
import palegate.core.drafts.TypeChange;
import palegate.core.people.Membership;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.types.Clearance;
import palegate.core.types.DocumentType;
import palegate.server.drafts.ChangeBody.SubjectRef;

/** A change of the core as a draft takes it. */
public final class BodyOf {
  private BodyOf() {}

  /** Entries keep their ids. */
  public static ChangeBody change(Change change) {
    if (change instanceof Change.AtPlace at) {
      return at(at);
    }
    if (change instanceof Change.InGroup in) {
      return in(in);
    }
    if (change instanceof Change.OfType of) {
      return of(of);
    }
    if (change instanceof Change.OfWall of) {
      return of(of);
    }
    if (change instanceof PeopleChange of) {
      return of(of);
    }
    if (change instanceof RoleChange of) {
      return of instanceof RoleChange.SetRole set
          ? new RoleBody.SetRole(set.role().id(), set.role().name(), set.role().rights().words()) : new RoleBody.RemoveRole(((RoleChange.RemoveRole) of).role());
    }
    if (change instanceof TypeChange of) {
      return of instanceof TypeChange.SetType set ? type(set.type()) : new TypeBody.RemoveType(((TypeChange.RemoveType) of).type());
    }
    if (change instanceof ApprovalChange of) {
      return of instanceof ApprovalChange.SetApproval set ? ApprovalBody.SetApproval.of(set.rule()) : new ApprovalBody.RemoveApproval(of.approval());
    }
    return of((LayoutChange) change);
  }

  /** The same change, for something new: its entry gets an id of its own. */
  public static ChangeBody newChange(Change change) {
    ChangeBody body = change(change);
    return body instanceof ChangeBody.AddGrant add
        ? new ChangeBody.AddGrant(null, add.place(), add.subject(), add.role(), add.types(), add.from(), add.until(), add.note())
        : body instanceof ChangeBody.AddWithholding add
        ? new ChangeBody.AddWithholding(null, add.place(), add.subject(), add.rights(), add.types(), add.from(), add.until(), add.note())
        : body instanceof GuardBody.AddOversight add
        ? new GuardBody.AddOversight(null, add.place(), add.subject(), add.from(), add.until(), add.note()) : body;
  }

  private static ChangeBody at(Change.AtPlace change) {
    if (change instanceof Change.AddGrant add) {
      Grant grant = add.grant();
      return new ChangeBody.AddGrant(grant.id(), grant.place(), SubjectRef.of(grant.subject()), grant.role(), List.copyOf(grant.types()),
          grant.period().from(), grant.period().until(), grant.note());
    }
    if (change instanceof Change.AddWithholding add) {
      Withholding taken = add.withholding();
      return new ChangeBody.AddWithholding(taken.id(), taken.place(), SubjectRef.of(taken.subject()), taken.rights().words(), List.copyOf(taken.types()),
          taken.period().from(), taken.period().until(), taken.note());
    }
    if (change instanceof Change.RemoveGrant remove) {
      return new ChangeBody.RemoveGrant(remove.grant(), remove.place());
    }
    if (change instanceof Change.RemoveWithholding remove) {
      return new ChangeBody.RemoveWithholding(remove.withholding(), remove.place());
    }
    if (change instanceof Change.Break broken) {
      return new ChangeBody.BreakPlace(broken.prefix(), broken.place(), broken.start(), broken.keepers().stream()
          .map(keeper -> new ChangeBody.Keeper(SubjectRef.of(keeper.subject()), keeper.role())).toList());
    }
    if (change instanceof Change.Rejoin rejoin) {
      return new ChangeBody.RejoinPlace(rejoin.place(), rejoin.below(), rejoin.keep().isEmpty() ? null : rejoin.keep().stream().sorted().toList());
    }
    if (change instanceof Change.SetGuards set) {
      return new GuardBody.SetGuards(set.place(), set.guards().ceiling(), set.guards().reserveSharing(), set.guards().noTakeaway());
    }
    if (change instanceof Change.SetLabels set) {
      return new LayoutBody.SetLabels(set.place(), set.labels());
    }
    if (change instanceof Change.Release release) {
      return new GuardBody.Release(release.place(), release.condition());
    }
    if (change instanceof Change.PutUnder put) {
      return new GuardBody.PutUnder(put.place(), put.condition(), put.by(), put.since());
    }
    if (change instanceof Change.AddOversight add) {
      Oversight oversight = add.oversight();
      return new GuardBody.AddOversight(oversight.id(), oversight.place(), SubjectRef.of(oversight.subject()), oversight.period().from(),
          oversight.period().until(), oversight.note());
    }
    Change.RemoveOversight remove = (Change.RemoveOversight) change;
    return new GuardBody.RemoveOversight(remove.oversight(), remove.place());
  }

  private static ChangeBody in(Change.InGroup change) {
    if (change instanceof Change.AddMember add) {
      Membership is = add.membership();
      return new PeopleBody.AddMember(add.group(), kind(is), is.member().id(), is.period().from(), is.period().until());
    }
    Change.RemoveMember remove = (Change.RemoveMember) change;
    Membership is = remove.membership();
    return new PeopleBody.RemoveMember(remove.group(), kind(is), is.member().id(), is.period().from(), is.period().until());
  }

  private static String kind(Membership membership) {
    return membership.member() instanceof Membership.PersonMember ? "person" : "group";
  }

  private static ChangeBody of(Change.OfType change) {
    if (change instanceof Change.AddClearance add) {
      Clearance is = add.clearance();
      return new TypeBody.AddClearance(add.type(), SubjectRef.of(is.subject()), is.role(), is.period().from(), is.period().until());
    }
    Change.RemoveClearance remove = (Change.RemoveClearance) change;
    Clearance is = remove.clearance();
    return new TypeBody.RemoveClearance(remove.type(), SubjectRef.of(is.subject()), is.role(), is.period().from(), is.period().until());
  }

  private static ChangeBody of(Change.OfWall change) {
    if (change instanceof Change.SetWall set) {
      return WallBody.SetWall.of(set.changed());
    }
    if (change instanceof Change.RemoveWall remove) {
      return new WallBody.RemoveWall(remove.wall());
    }
    return change instanceof Change.AddException add
        ? new GuardBody.AddException(add.wall(), SubjectRef.of(add.exempt().subject()), add.exempt().until())
        : exception((Change.RemoveException) change);
  }

  private static ChangeBody exception(Change.RemoveException remove) {
    return new GuardBody.RemoveException(remove.wall(), SubjectRef.of(remove.exempt().subject()), remove.exempt().until());
  }

  private static ChangeBody of(PeopleChange change) {
    if (change instanceof PeopleChange.SetPerson set) {
      Person is = set.person();
      return new PeopleBody.SetPerson(is.id(), is.name(), is.login(), is.email(), is.external(), is.active(), is.unit());
    }
    if (change instanceof PeopleChange.SetUnit set) {
      return new PeopleBody.SetUnit(set.unit().id(), set.unit().name(), set.unit().parent());
    }
    if (change instanceof PeopleChange.RemoveUnit remove) {
      return new PeopleBody.RemoveUnit(remove.unit());
    }
    return change instanceof PeopleChange.SetGroup set ? new PeopleBody.SetGroup(set.group(), set.name(), set.description())
        : new PeopleBody.RemoveGroup(((PeopleChange.RemoveGroup) change).group());
  }

  private static ChangeBody type(DocumentType type) {
    return new TypeBody.SetType(type.id(), type.name(), type.shortName(), type.guarded(), List.copyOf(type.libraries()),
        type.fields().stream().map(TypeBody.TypeField::of).toList());
  }

  private static ChangeBody of(LayoutChange change) {
    if (change instanceof LayoutChange.AddPlace add) {
      Place is = add.added();
      return new LayoutBody.AddPlace(is.id(), is.kind().word(), is.parent(), is.name(), is.labels(), is.type(), is.owner(), is.target(),
          is.standsAlone() ? true : null);
    }
    if (change instanceof LayoutChange.RenamePlace rename) {
      return new LayoutBody.RenamePlace(rename.place(), rename.name());
    }
    if (change instanceof LayoutChange.MovePlace move) {
      return new LayoutBody.MovePlace(move.place(), move.parent());
    }
    return change instanceof LayoutChange.SetDocument set ? new LayoutBody.SetDocument(set.place(), set.type(), set.owner())
        : new LayoutBody.RemovePlace(change.place());
  }
}
