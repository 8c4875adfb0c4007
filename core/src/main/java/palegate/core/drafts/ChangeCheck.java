package palegate.core.drafts;

import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import palegate.core.access.Entry;
import palegate.core.approvals.ApprovalRule;
import palegate.core.people.Period;
import palegate.core.people.Person;
import palegate.core.places.Place;
import palegate.core.text.WellFormed;
import palegate.core.types.DocumentType;
import palegate.core.walls.Scope;
import palegate.core.walls.Wall;

/** Whether what a change brings is well-formed, by the same rules and in the same sentences as for a bundle. */
final class ChangeCheck {
  static final int LIST_AT_MOST = 2_000;
  static final int SIDES_AT_MOST = 100;

  private ChangeCheck() {}

  /** All that is wrong with what a change brings, in order. */
  static List<WellFormed.Wrong> of(Change change) {
    return found(change).flatMap(Optional::stream).distinct().toList();
  }

  private static Stream<Optional<WellFormed.Wrong>> found(Change change) {
    if (change instanceof Change.AddGrant add) {
      return entry(add.grant());
    }
    if (change instanceof Change.AddWithholding add) {
      return entry(add.withholding());
    }
    if (change instanceof Change.Break broken) {
      return Stream.concat(Stream.of(WellFormed.id(broken.prefix() + ".0000")), broken.keepers().stream().flatMap(ChangeCheck::entry));
    }
    if (change instanceof Change.SetLabels set) {
      return labels(set.labels());
    }
    if (change instanceof Change.PutUnder put) {
      return Stream.of(WellFormed.instant(put.since()));
    }
    if (change instanceof Change.AddOversight add) {
      return Stream.concat(Stream.of(WellFormed.id(add.oversight().id()), WellFormed.text(add.oversight().note())), period(add.oversight().period()));
    }
    if (change instanceof Change.AddMember add) {
      return period(add.membership().period());
    }
    if (change instanceof Change.AddClearance add) {
      return period(add.clearance().period());
    }
    if (change instanceof Change.AddException add) {
      return Stream.of(WellFormed.instant(add.exempt().until()));
    }
    if (change instanceof Change.SetWall set) {
      return wall(set.changed());
    }
    if (change instanceof PeopleChange of) {
      return people(of);
    }
    if (change instanceof RoleChange.SetRole set) {
      return Stream.of(WellFormed.id(set.role().id()), WellFormed.name(set.role().name()));
    }
    if (change instanceof TypeChange.SetType set) {
      return type(set.type());
    }
    if (change instanceof LayoutChange.AddPlace add) {
      Place place = add.added();
      return Stream.concat(Stream.of(WellFormed.id(place.id()), WellFormed.name(place.name())), labels(place.labels()));
    }
    if (change instanceof LayoutChange.RenamePlace rename) {
      return Stream.of(WellFormed.name(rename.name()));
    }
    return change instanceof ApprovalChange.SetApproval set ? approval(set.rule()) : Stream.empty();
  }

  private static Stream<Optional<WellFormed.Wrong>> entry(Entry entry) {
    return Stream.concat(Stream.of(WellFormed.id(entry.id()), WellFormed.text(entry.note()), most("document types", entry.types())), period(entry.period()));
  }

  private static Stream<Optional<WellFormed.Wrong>> period(Period period) {
    return Stream.of(WellFormed.instant(period.from()), WellFormed.instant(period.until()));
  }

  private static Stream<Optional<WellFormed.Wrong>> labels(Map<String, String> labels) {
    return Stream.concat(Stream.of(WellFormed.atMost("labels", labels.size(), LIST_AT_MOST)), labels.entrySet().stream().sorted(Map.Entry.comparingByKey())
        .flatMap(label -> Stream.of(WellFormed.key(label.getKey()), WellFormed.value(label.getValue()))));
  }

  private static Stream<Optional<WellFormed.Wrong>> people(PeopleChange change) {
    if (change instanceof PeopleChange.SetPerson set) {
      Person person = set.person();
      return Stream.of(WellFormed.id(person.id()), WellFormed.name(person.name()), WellFormed.login(person.login()), WellFormed.email(person.email()));
    }
    if (change instanceof PeopleChange.SetUnit set) {
      return Stream.of(WellFormed.id(set.unit().id()), WellFormed.name(set.unit().name()));
    }
    return change instanceof PeopleChange.SetGroup set
        ? Stream.of(WellFormed.id(set.group()), WellFormed.name(set.name()), WellFormed.text(set.description())) : Stream.empty();
  }

  private static Stream<Optional<WellFormed.Wrong>> type(DocumentType type) {
    Stream<Optional<WellFormed.Wrong>> own = Stream.of(WellFormed.id(type.id()), WellFormed.name(type.name()),
        type.shortName() == null ? Optional.empty() : WellFormed.name(type.shortName()), most("fields", type.fields()), most("libraries", type.libraries()));
    return Stream.concat(own, type.fields().stream().flatMap(field -> Stream.concat(
        Stream.of(WellFormed.key(field.key()), WellFormed.name(field.label()), WellFormed.text(field.help()), most("choices", field.choices())),
        field.choices().stream().map(WellFormed::value))));
  }

  private static Stream<Optional<WellFormed.Wrong>> wall(Wall wall) {
    Stream<Optional<WellFormed.Wrong>> own = Stream.of(WellFormed.id(wall.id()), WellFormed.name(wall.name()), WellFormed.text(wall.reason()),
        WellFormed.atMost("sides", wall.barrier().scopes().size(), SIDES_AT_MOST), most("subjects", wall.barrier().subjects()), most("exceptions", wall.exceptions()));
    return Stream.of(own, period(wall.period()), wall.exceptions().stream().map(exempt -> WellFormed.instant(exempt.until())),
        wall.barrier().scopes().stream().limit(SIDES_AT_MOST).flatMap(ChangeCheck::scope)).flatMap(found -> found);
  }

  private static Stream<Optional<WellFormed.Wrong>> scope(Scope scope) {
    return Stream.concat(Stream.of(most("places", scope.places()), most("document types", scope.types())), scope.labels().entrySet().stream()
        .flatMap(label -> Stream.concat(Stream.of(WellFormed.key(label.getKey()), most("values", label.getValue())), label.getValue().stream().map(WellFormed::value))));
  }

  private static Stream<Optional<WellFormed.Wrong>> approval(ApprovalRule rule) {
    return Stream.of(WellFormed.id(rule.id()), WellFormed.name(rule.name()), most("places", rule.when().places()), most("kinds", rule.when().kinds()));
  }

  private static Optional<WellFormed.Wrong> most(String things, Collection<?> list) {
    return WellFormed.atMost(things, list.size(), LIST_AT_MOST);
  }
}
