package palegate.core.changes;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.stream.Collectors;
import palegate.core.access.Entry;
import palegate.core.access.Oversight;
import palegate.core.places.Place;
import palegate.core.places.PlaceKind;

/** A change of which places there are, where they stand, what they are called and labelled, and what a document is (section 2). */
public sealed interface PlaceChange extends ChangeAtPlace {
  /** Puts a new place below its parent. */
  record AddPlace(Place added) implements PlaceChange {
    static final Shape<AddPlace> SHAPE = Shape.<AddPlace>named("AddPlace")
        .made("place", FieldType.ID, values -> values.text("placeKind").substring(0, 1), AddPlace::place)
        .needed("placeKind", FieldType.word(List.of("library", "folder", "document", "link")), "Say library, folder, document or link.", add -> add.added.kind().word())
        .needed("parent", FieldType.ID, "Name the place below which it stands.", add -> add.added.parent())
        .needed("name", FieldType.NAME, "Give the place a name.", add -> add.added.name()).labels(add -> add.added.labels())
        .optional("type", FieldType.ID, add -> add.added.type()).optional("owner", FieldType.ID, add -> add.added.owner())
        .optional("target", FieldType.ID, add -> add.added.target()).flag("standsAlone", add -> add.added.standsAlone())
        .readBy(AddPlace::read);

    public AddPlace {
      Objects.requireNonNull(added);
    }

    private static AddPlace read(Values values) {
      PlaceKind kind = PlaceKind.parse(values.text("placeKind"));
      boolean document = kind == PlaceKind.DOCUMENT;
      return new AddPlace(Place.plain(values.text("place"), kind, values.text("parent"), values.text("name"), values.flag("standsAlone"), values.labels(),
          document ? values.text("type") : null, document ? values.text("owner") : null, kind == PlaceKind.LINK ? values.text("target") : null));
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.ADD_PLACE;
    }

    @Override
    public String place() {
      return added.id();
    }

    @Override
    public void make(Making on) {
      Pending pending = on.pending;
      Checks checks = on.checks(this).refuseIf(pending.place(added.id()) != null, "The id [" + added.id() + "] is taken.", "Add the place under another id.");
      Place former = pending.place(added.id()) == null ? pending.formerly(added.id()) : null;
      checks.refuseIf(former != null && !former.isSameThingAs(added),
          "The id [" + added.id() + "] belonged to something that was removed, and an id never comes back for something else.", "Leave the id out: the place gets one of its own.");
      if (added.kind() == PlaceKind.REPOSITORY) {
        boolean alone = pending.base.placeCount() == 0 && added.parent() == null;
        checks.refuseIf(!alone, "There is one repository, and it is there already.", "Add a library, a folder, a document or a link.");
      } else {
        Layout.checkParent(checks, pending, added.kind(), added.parent());
        Layout.checkName(on, this, added);
      }
      if (added.kind() == PlaceKind.LINK) {
        Place target = pending.place(added.target());
        checks.refuseIf(target == null, "There is no place [" + added.target() + "] to show.", "Choose a place that exists.");
        checks.refuseIf(target != null && target.kind() == PlaceKind.LINK, "A link cannot show another link.", "Choose what that link shows.");
      }
      Layout.checkDocument(checks, pending, added, added.parent());
      if (checks.passed()) {
        pending.put(added);
      }
    }

    @Override
    public String words(Wording names) {
      return "Make the " + added.kind().word() + " " + added.name() + (added.type() == null ? "" : ", a " + names.name("type", added.type()));
    }
  }

  /** Calls a place something else. */
  record RenamePlace(String place, String name) implements PlaceChange {
    static final Shape<RenamePlace> SHAPE = Shape.<RenamePlace>named("RenamePlace")
        .place(RenamePlace::place).needed("name", FieldType.NAME, "Give the place a name.", RenamePlace::name)
        .readBy(values -> new RenamePlace(values.text("place"), values.text("name")));

    public RenamePlace {
      Objects.requireNonNull(place);
      Objects.requireNonNull(name);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.RENAME_PLACE;
    }

    @Override
    public void make(Making on) {
      Place at = on.place(this, place);
      if (at != null) {
        if (!at.name().equals(name)) {
          Layout.checkName(on, this, at.named(name));
        }
        on.pending.put(at.named(name));
      }
    }

    @Override
    public String words(Wording names) {
      return "Call it " + name;
    }
  }

  /** Puts a place, with all that is below it, below another parent. */
  record MovePlace(String place, String parent) implements PlaceChange {
    static final Shape<MovePlace> SHAPE = Shape.<MovePlace>named("MovePlace")
        .place(MovePlace::place).needed("parent", FieldType.ID, "Name the place below which it shall stand.", MovePlace::parent)
        .readBy(values -> new MovePlace(values.text("place"), values.text("parent")));

    public MovePlace {
      Objects.requireNonNull(place);
      Objects.requireNonNull(parent);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.MOVE_PLACE;
    }

    @Override
    public void make(Making on) {
      Place at = on.place(this, place);
      if (at == null) {
        return;
      }
      Checks checks = on.checks(this).refuseIf(at.kind() == PlaceKind.REPOSITORY, "The repository is the root.", "Move what is below it.");
      Layout.checkParent(checks, on.pending, at.kind(), parent);
      Layout.checkNotBelowItself(checks, on.pending, at, parent);
      if (checks.passed()) {
        Layout.checkTypesBelow(checks, on.pending, at, parent);
      }
      if (checks.passed()) {
        on.pending.put(at.movedTo(parent));
      }
    }

    @Override
    public String words(Wording names) {
      return "Move it to " + names.name("place", parent);
    }
  }

  /** Says of which type a document is and who owns it; null for none. */
  record SetDocument(String place, String type, String owner) implements PlaceChange {
    static final Shape<SetDocument> SHAPE = Shape.<SetDocument>named("SetDocument")
        .needed("place", FieldType.ID, "Name a document.", SetDocument::place)
        .optional("type", FieldType.ID, SetDocument::type).optional("owner", FieldType.ID, SetDocument::owner)
        .readBy(values -> new SetDocument(values.text("place"), values.text("type"), values.text("owner")));

    public SetDocument {
      Objects.requireNonNull(place);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.SET_DOCUMENT;
    }

    @Override
    public void make(Making on) {
      Place at = on.place(this, place);
      if (at == null) {
        return;
      }
      Place changed = at.as(type, owner);
      Checks checks = on.checks(this).refuseIf(!at.isDocument(), "[" + at.name() + "] is a " + at.kind().word() + ".", "Only a document has a type and an owner.")
          .refuseIf(at.conditions().isPrivate() && owner == null, "[" + at.name() + "] is private, and what is private has an owner.", "Release it first, or name an owner.");
      Layout.checkDocument(checks, on.pending, changed, at.parent());
      if (checks.passed()) {
        on.pending.put(changed);
      }
    }

    @Override
    public String words(Wording names) {
      return (type == null ? "Make it a document of no type" : "Make it a " + names.name("type", type))
          + (owner == null ? ", owned by nobody" : ", owned by " + names.name("person", owner));
    }
  }

  /** Sets the own labels of a place. */
  record SetLabels(String place, Map<String, String> labels) implements PlaceChange {
    static final Shape<SetLabels> SHAPE = Shape.<SetLabels>named("SetLabels")
        .place(SetLabels::place).needed("labels", FieldType.LABELS, "Give all labels that it is to have.", SetLabels::labels)
        .readBy(values -> new SetLabels(values.text("place"), values.labels()));

    public SetLabels {
      Objects.requireNonNull(place);
      labels = Map.copyOf(labels);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.SET_LABELS;
    }

    @Override
    public void make(Making on) {
      Place at = on.place(this, place);
      if (at != null) {
        on.pending.put(at.labelled(labels));
      }
    }

    @Override
    public String words(Wording names) {
      return labels.isEmpty() ? "Take its labels away"
          : "Label it " + new TreeMap<>(labels).entrySet().stream().map(label -> label.getKey() + ": " + label.getValue()).collect(Collectors.joining(", "));
    }
  }

  /** Takes away a place with nothing below it, and the entries that stand there. */
  record RemovePlace(String place) implements PlaceChange {
    static final Shape<RemovePlace> SHAPE = Shape.<RemovePlace>named("RemovePlace").place(RemovePlace::place)
        .readBy(values -> new RemovePlace(values.text("place")));

    public RemovePlace {
      Objects.requireNonNull(place);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REMOVE_PLACE;
    }

    @Override
    public void make(Making on) {
      Place at = on.place(this, place);
      if (at == null) {
        return;
      }
      Pending pending = on.pending;
      Checks checks = on.checks(this).refuseIf(at.kind() == PlaceKind.REPOSITORY, "The repository is the root.", "Remove what is below it.")
          .refuseIf(pending.hasChildren(place), "There is something below [" + at.name() + "].", "Remove what is below it first.");
      checks.unused(at.name(), checks.passed() ? pending.references().place(place, pending) : null);
      if (checks.passed()) {
        for (Entry entry : pending.entriesAt(place)) {
          pending.remove(entry);
        }
        for (Oversight oversight : pending.oversightsAt(place)) {
          pending.remove(oversight);
        }
        pending.shares().passesAt(place).forEach(pending::removeWithGrants);
        if (pending.sharing(place) != null) {
          pending.remove(pending.sharing(place));
        }
        pending.remove(at);
      }
    }

    @Override
    public String words(Wording names) {
      return "Remove it";
    }
  }
}
