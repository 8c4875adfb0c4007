package palegate.core.changes;

import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import palegate.core.access.Grant;
import palegate.core.duties.Duty;
import palegate.core.people.Period;
import palegate.core.people.Subject;
import palegate.core.sharing.Pass;

/** A change of a pass (section 11). */
public sealed interface PassChange extends Change {
  /** The id of the pass. */
  String pass();

  @Override
  default String thing() {
    return "pass:" + pass();
  }

  @Override
  default Duty duty() {
    return Duty.ACCESS;
  }

  /** Makes a pass, or changes the one with that id. What has been opened through it stays as it is. */
  record SetPass(Pass given) implements PassChange {
    static final Shape<SetPass> SHAPE = Shape.<SetPass>named("SetPass")
        .made("pass", "pa", SetPass::pass).place(set -> set.given.place()).role(set -> set.given.role())
        .needed("audience", FieldType.list(Shape.SUBJECT, 1, Pass.AUDIENCE_AT_MOST, "people, groups and units"), "Say whom the pass is for.", set -> set.given.audience())
        .needed("maker", FieldType.ID, "Name who answers for it.", set -> set.given.maker()).period(set -> set.given.period())
        .optional("uses", FieldType.whole(1, Pass.USES_AT_MOST, "Say by how many people it may be opened, or leave it out."), set -> set.given.uses()).note(set -> set.given.note())
        .readBy(values -> new SetPass(new Pass(values.text("pass"), values.text("place"), values.text("role"), values.list("audience"), values.text("maker"), values.period(),
            values.get("uses"), values.text("note"))));

    public SetPass {
      Objects.requireNonNull(given);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.SET_PASS;
    }

    @Override
    public String pass() {
      return given.id();
    }

    @Override
    public void make(Making on) {
      Pass known = on.pending.pass(given.id());
      Checks checks = on.checks(this).places(List.of(given.place())).role(given.role())
          .refuseIf(known != null && !known.place().equals(given.place()), "The pass is for another place.", "Make a new pass for this place.")
          .refuseIf(on.pending.person(given.maker()) == null, "There is no person [" + given.maker() + "].", "Name who answers for the pass.")
          .refuseIf(given.period().endedBy(on.now) && (known == null || !known.period().endedBy(on.now)), "The pass would already have ended at [" + given.period().until() + "].",
              "Choose an end that is still to come, or take the pass back.");
      given.audience().forEach(checks::subject);
      if (checks.passed()) {
        on.pending.put(given);
      }
    }

    @Override
    public String words(Wording names) {
      boolean known = names.before().passes().containsKey(given.id());
      return (known ? "Change the pass to “" : "Make a pass to “") + names.name("place", given.place()) + "”: " + names.role(given.role()) + " for "
          + given.audience().stream().map(names::subject).collect(Collectors.joining(", ")) + Wording.during(given.period())
          + (given.uses() == null ? "" : ", at most " + given.uses() + (given.uses() == 1 ? " person" : " people"));
    }
  }

  /** Opens a pass: whoever opens it gets its role at its place until its end. */
  record OpenPass(String pass, String person, String entry) implements PassChange {
    static final Shape<OpenPass> SHAPE = Shape.<OpenPass>named("OpenPass")
        .made("entry", "e", OpenPass::entry).needed("pass", FieldType.ID, "Name the pass.", OpenPass::pass).needed("person", FieldType.ID, "Name who opens it.", OpenPass::person)
        .readBy(values -> new OpenPass(values.text("pass"), values.text("person"), values.text("entry")));

    public OpenPass {
      Objects.requireNonNull(pass);
      Objects.requireNonNull(person);
      Objects.requireNonNull(entry);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.OPEN_PASS;
    }

    @Override
    public void make(Making on) {
      Pass known = on.pending.pass(pass);
      if (known == null) {
        on.refuseGone(this, "There is no pass [" + pass + "] (any more).");
        return;
      }
      int number = on.pending.base.personNumber(person);
      Set<String> opened = on.pending.shares().through(pass).stream().map(grant -> grant.subject().id()).collect(Collectors.toSet());
      Checks checks = on.checks(this)
          .refuseIf(!known.period().holdsAt(on.now), "The pass is not open now.", "Ask whoever made it.")
          .refuseIf(number < 0 || known.audience().stream().noneMatch(subject -> on.pending.base.at(on.now).matches(number, subject)), "The pass is not for them.", "Ask whoever made it.")
          .refuseIf(opened.contains(person), "They have opened it already.", "Remove this change from the draft.")
          .refuseIf(known.uses() != null && opened.size() >= known.uses(), "It has been opened by as many as may.", "Ask whoever made it.")
          .refuseIf(on.pending.grant(entry) != null || on.pending.withholding(entry) != null, "The id [" + entry + "] is taken.", "Add the entry under another id.");
      if (checks.passed()) {
        on.pending.put(new Grant(entry, known.place(), new Subject.OfPerson(person), known.role(), Set.of(), new Period(null, known.period().until()), known.note(), null, pass));
      }
    }

    @Override
    public String words(Wording names) {
      Pass known = names.before().passes().get(pass);
      return "Open a pass" + (known == null ? "" : " to “" + names.name("place", known.place()) + "”: " + names.role(known.role())) + " for " + names.name("person", person);
    }
  }

  /** Takes a pass back, and with it everything that was opened through it. */
  record TakeBackPass(String pass) implements PassChange {
    static final Shape<TakeBackPass> SHAPE = Shape.<TakeBackPass>named("TakeBackPass")
        .needed("pass", FieldType.ID, "Name the pass.", TakeBackPass::pass).readBy(values -> new TakeBackPass(values.text("pass")));

    public TakeBackPass {
      Objects.requireNonNull(pass);
    }

    @Override
    public ChangeKind kind() {
      return ChangeKind.TAKE_BACK_PASS;
    }

    @Override
    public void make(Making on) {
      Pass known = on.pending.pass(pass);
      if (known == null) {
        on.refuseGone(this, "There is no pass [" + pass + "] (any more).");
      } else {
        on.pending.removeWithGrants(known);
      }
    }

    @Override
    public String words(Wording names) {
      Pass was = names.before().passes().get(pass);
      return was == null ? "Take back a pass that is no longer there"
          : "Take back the pass to “" + names.name("place", was.place()) + "” and what was opened through it";
    }
  }
}
