package palegate.server.drafts;

import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.Function;
import java.util.stream.Collectors;
import palegate.core.access.Entry;
import palegate.core.access.Grant;
import palegate.core.access.Withholding;
import palegate.core.drafts.Change;
import palegate.core.structure.Parts;
import palegate.core.structure.Structure;
import palegate.server.views.SubjectNames;

/** A change as a sentence. Names are those in force or, of what the draft makes, those in the draft. */
final class DraftWords {
  private static final DateTimeFormatter DAY = DateTimeFormatter.ofPattern("d MMM uuuu", Locale.UK).withZone(ZoneOffset.UTC);

  private final Structure structure;
  private final Structure after;

  DraftWords(Structure structure, Structure after) {
    this.structure = structure;
    this.after = after;
  }

  String of(ChangeBody body) {
    if (body instanceof GuardBody guard) {
      return of(guard);
    }
    if (body instanceof WallBody wall) {
      return of(wall);
    }
    if (body instanceof PeopleBody people) {
      return of(people);
    }
    if (body instanceof RoleBody role) {
      return role instanceof RoleBody.SetRole set
          ? (structure.roles().containsKey(set.role()) ? "Change the role " : "Make the role ") + set.name() + ": " + String.join(", ", set.rights())
          : "Remove the role " + role(((RoleBody.RemoveRole) role).role());
    }
    if (body instanceof TypeBody type) {
      return of(type);
    }
    if (body instanceof LayoutBody layout) {
      return of(layout);
    }
    if (body instanceof ApprovalBody approval) {
      return approval instanceof ApprovalBody.SetApproval set
          ? (structure.approvals().containsKey(set.approval()) ? "Change the rule of approval " : "Ask for approval: ") + set.name() + ", by somebody with the duty " + set.duty().word()
          : "No longer ask for approval: " + name("approval", ((ApprovalBody.RemoveApproval) approval).approval());
    }
    return ofList(body);
  }

  private String ofList(ChangeBody body) {
    if (body instanceof ChangeBody.AddGrant add) {
      return "Give " + role(add.role()) + " to " + subject(add.subject()) + forTypes(add.types()) + period(add.from(), add.until());
    }
    if (body instanceof ChangeBody.AddWithholding add) {
      return "Withhold " + String.join(", ", add.rights()) + " from " + subject(add.subject()) + forTypes(add.types()) + period(add.from(), add.until());
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
    ChangeBody.RejoinPlace rejoin = (ChangeBody.RejoinPlace) body;
    int kept = rejoin.keep() == null ? 0 : rejoin.keep().size();
    return "Rejoin" + (rejoin.below() ? ", and everything below it too" : "") + (kept == 0 ? "" : ", keeping " + kept + (kept == 1 ? " entry" : " entries") + " of its own");
  }

  private String of(GuardBody body) {
    if (body instanceof GuardBody.SetGuards set) {
      String rules = set.reserveSharing() && set.noTakeaway() ? "sharing reserved and no take-away" : set.reserveSharing() ? "sharing reserved"
          : set.noTakeaway() ? "no take-away" : "no house rules";
      return (set.ceiling() == null ? "No ceiling for outsiders" : "Outsiders get " + role(set.ceiling()) + " at most") + ", " + rules;
    }
    if (body instanceof GuardBody.Release release) {
      return "Release from being " + release.condition().words();
    }
    if (body instanceof GuardBody.PutUnder put) {
      return "Make it " + put.condition().words() + " again" + (put.by() == null ? "" : " by " + name("person", put.by()));
    }
    if (body instanceof GuardBody.RemoveException remove) {
      return "Take the exception of " + subject(remove.subject()) + " out of the wall " + name("wall", remove.wall());
    }
    if (body instanceof GuardBody.AddOversight add) {
      return "Appoint " + subject(add.subject()) + " overseer" + period(add.from(), add.until());
    }
    if (body instanceof GuardBody.AddException add) {
      return "Except " + subject(add.subject()) + " from the wall " + name("wall", add.wall()) + period(null, add.until());
    }
    return "End an oversight";
  }

  private String of(WallBody body) {
    if (body instanceof WallBody.SetWall set) {
      return (structure.walls().containsKey(set.wall()) ? "Change the wall " : "Make the wall ") + set.name() + ", " + set.state().word()
          + period(set.from(), set.until());
    }
    return "Take the wall " + name("wall", ((WallBody.RemoveWall) body).wall()) + " away";
  }

  private String of(PeopleBody body) {
    if (body instanceof PeopleBody.SetPerson set) {
      boolean known = structure.people().containsKey(set.person());
      String state = set.active() ? set.external() ? "an outsider" : "on staff" : "not active";
      return (known ? "Change " : "Add ") + set.name() + ", " + state + (set.unit() == null ? "" : ", " + name("unit", set.unit()));
    }
    if (body instanceof PeopleBody.SetUnit set) {
      boolean known = structure.units().containsKey(set.unit());
      return (known ? "Change the unit " : "Make the unit ") + set.name() + (set.parent() == null ? "" : " below " + name("unit", set.parent()));
    }
    if (body instanceof PeopleBody.RemoveUnit remove) {
      return "Remove the unit " + name("unit", remove.unit());
    }
    if (body instanceof PeopleBody.SetGroup set) {
      return (structure.groups().containsKey(set.group()) ? "Call a group " : "Make the group ") + set.name();
    }
    if (body instanceof PeopleBody.RemoveGroup remove) {
      return "Remove the group " + name("group", remove.group());
    }
    if (body instanceof PeopleBody.AddMember add) {
      return "Put " + name(add.memberKind(), add.member()) + " into " + name("group", add.group()) + period(add.from(), add.until());
    }
    PeopleBody.RemoveMember remove = (PeopleBody.RemoveMember) body;
    return "Take " + name(remove.memberKind(), remove.member()) + " out of " + name("group", remove.group());
  }

  private String of(TypeBody body) {
    if (body instanceof TypeBody.SetType set) {
      int fields = set.fields().size();
      return (structure.types().containsKey(set.type()) ? "Change the type " : "Make the type ") + set.name() + (set.guarded() ? ", guarded" : ", open")
          + ", with " + fields + (fields == 1 ? " field" : " fields");
    }
    if (body instanceof TypeBody.RemoveType remove) {
      return "Remove the type " + name("type", remove.type());
    }
    if (body instanceof TypeBody.AddClearance add) {
      return "Clear " + subject(add.subject()) + " as " + role(add.role()) + " for " + name("type", add.type()) + period(add.from(), add.until());
    }
    TypeBody.RemoveClearance remove = (TypeBody.RemoveClearance) body;
    return "End the clearance of " + subject(remove.subject()) + " for " + name("type", remove.type());
  }

  private String of(LayoutBody body) {
    if (body instanceof LayoutBody.AddPlace add) {
      return "Make the " + add.placeKind() + " " + add.name() + (add.type() == null ? "" : ", a " + name("type", add.type()));
    }
    if (body instanceof LayoutBody.RenamePlace rename) {
      return "Call it " + rename.name();
    }
    if (body instanceof LayoutBody.MovePlace move) {
      return "Move it to " + name("place", move.parent());
    }
    if (body instanceof LayoutBody.SetDocument set) {
      return (set.type() == null ? "Make it a document of no type" : "Make it a " + name("type", set.type()))
          + (set.owner() == null ? ", owned by nobody" : ", owned by " + name("person", set.owner()));
    }
    if (body instanceof LayoutBody.SetLabels set) {
      Map<String, String> sorted = new TreeMap<>(set.labels());
      return sorted.isEmpty() ? "Take its labels away" : "Label it " + sorted.entrySet().stream().map(label -> label.getKey() + ": " + label.getValue())
          .collect(Collectors.joining(", "));
    }
    return "Remove it";
  }

  /** What a thing is called; its id if it is not there. */
  String name(String kind, String id) {
    return switch (kind) {
      case "person" -> named(structure.people(), after.people(), id, person -> person.name());
      case "unit" -> named(structure.units(), after.units(), id, unit -> unit.name());
      case "group" -> named(structure.groups(), after.groups(), id, group -> group.name());
      case "role" -> named(structure.roles(), after.roles(), id, role -> role.name());
      case "type" -> named(structure.types(), after.types(), id, type -> type.name());
      case "approval" -> named(structure.approvals(), after.approvals(), id, rule -> rule.name());
      case "wall" -> named(structure.walls(), after.walls(), id, wall -> wall.name());
      default -> named(structure.places(), after.places(), id, place -> place.name());
    };
  }

  private static <T> String named(Parts<T> known, Parts<T> made, String id, Function<T, String> name) {
    T thing = known.containsKey(id) ? known.get(id) : made.get(id);
    return thing == null ? id : name.apply(thing);
  }

  private String subject(ChangeBody.SubjectRef subject) {
    String known = SubjectNames.of(subject.toCore(), structure);
    return known.equals(subject.id()) ? SubjectNames.of(subject.toCore(), after) : known;
  }

  private String forTypes(List<String> types) {
    return types == null || types.isEmpty() ? ""
        : ", only for " + types.stream().map(type -> name("type", type)).sorted().collect(Collectors.joining(", "));
  }

  private static String period(Instant from, Instant until) {
    return (from == null ? "" : ", from " + DAY.format(from)) + (until == null ? "" : ", until " + DAY.format(until));
  }

  private String keepers(ChangeBody.BreakPlace broken) {
    List<ChangeBody.Keeper> keepers = broken.keepers() == null ? List.of() : broken.keepers();
    return keepers.isEmpty() ? "" : ", with " + keepers.stream()
        .map(keeper -> subject(keeper.subject()) + " as " + role(keeper.role()))
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
    return name("role", id);
  }
}
