package palegate.core.changes;

import java.util.Objects;
import java.util.stream.Collectors;
import palegate.core.duties.Duty;
import palegate.core.sharing.Shortlist;

/** A change of whom sharing proposes to the people of a unit (section 12). */
public sealed interface ShortlistChange extends Change {
  /** The id of the unit. */
  String unit();

  @Override
  default String thing() {
    return "unit:" + unit();
  }

  @Override
  default Duty duty() {
    return Duty.PEOPLE;
  }

  /** Gives a unit a shortlist, or another one. */
  record SetShortlist(Shortlist list) implements ShortlistChange {
    private static final Shape<Shortlist.Audience> AUDIENCE = Shape.<Shortlist.Audience>named("ShortlistAudience")
        .subject(Shortlist.Audience::subject).needed("name", FieldType.NAME, "Give the audience a name.", Shortlist.Audience::name)
        .optional("text", FieldType.STRIPPED_TEXT, Shortlist.Audience::text)
        .readBy(values -> new Shortlist.Audience(values.subject(), values.text("name"), values.text("text")));

    static final Shape<SetShortlist> SHAPE = Shape.<SetShortlist>named("SetShortlist")
        .needed("unit", FieldType.ID, "Name a unit.", SetShortlist::unit)
        .needed("audiences", FieldType.list(AUDIENCE, 1, Shortlist.AUDIENCES_AT_MOST, "audiences"), "Name whom it proposes.", set -> set.list.audiences())
        .readBy(values -> new SetShortlist(new Shortlist(values.text("unit"), values.list("audiences"))));

    public SetShortlist {
      Objects.requireNonNull(list);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.SET_SHORTLIST;
    }

    @Override
    public String unit() {
      return list.unit();
    }

    @Override
    public void make(Making on) {
      Checks checks = on.checks(this).refuseIf(on.pending.unit(unit()) == null, "There is no unit [" + unit() + "] (any more).", "Choose a unit that exists.");
      list.audiences().forEach(audience -> checks.subject(audience.subject()));
      if (checks.passed()) {
        on.pending.put(list);
      }
    }

    @Override
    public String words(Wording names) {
      return "Propose to whoever shares in “" + names.name("unit", unit()) + "”: " + list.audiences().stream().map(Shortlist.Audience::name).collect(Collectors.joining(", "));
    }
  }

  /** Takes the shortlist of a unit away: that of the nearest unit above holds. */
  record RemoveShortlist(String unit) implements ShortlistChange {
    static final Shape<RemoveShortlist> SHAPE = Shape.<RemoveShortlist>named("RemoveShortlist")
        .needed("unit", FieldType.ID, "Name a unit.", RemoveShortlist::unit).readBy(values -> new RemoveShortlist(values.text("unit")));

    public RemoveShortlist {
      Objects.requireNonNull(unit);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.REMOVE_SHORTLIST;
    }

    @Override
    public void make(Making on) {
      Shortlist known = on.pending.shortlist(unit);
      if (known == null) {
        on.refuseGone(this, "The unit [" + unit + "] has no shortlist of its own (any more).");
      } else {
        on.pending.remove(known);
      }
    }

    @Override
    public String words(Wording names) {
      return "Propose in “" + names.name("unit", unit) + "” what the unit above proposes";
    }
  }
}
