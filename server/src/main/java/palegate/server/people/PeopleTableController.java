package palegate.server.people;

import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;
import palegate.core.changes.PeopleChange;
import palegate.core.people.PeopleTable;
import palegate.core.people.Person;
import palegate.core.structure.Structure;
import palegate.server.changes.ChangeBody;
import palegate.server.changes.NewIds;
import palegate.server.drafts.DraftedState;
import palegate.server.shell.MayBeMissing;

/** Many people at once, from a pasted table: read and shown before anything is drafted. */
@RestController
class PeopleTableController {
  record TableText(@NotBlank(message = "Paste some lines.") @Size(max = 1_000_000, message = "At most a million letters at once.") String text) {}

  record TableRow(int line, String name, @MayBeMissing String login, @MayBeMissing String email, @MayBeMissing String unit, boolean outsider) {}

  record TableFault(int line, String what, String remedy) {}

  /** What was read, and the changes that would make it; with any fault there are none. */
  record TableView(List<TableRow> rows, List<TableFault> faults, List<ChangeBody> changes) {}

  private final DraftedState shown;

  PeopleTableController(DraftedState shown) {
    this.shown = shown;
  }

  /** O(people + lines). */
  @PostMapping("/api/people/table")
  TableView read(@Valid @RequestBody TableText text, Principal who) {
    Structure structure = shown.to(who.getName()).structure();
    Map<String, String> units = new HashMap<>();
    structure.units().values().forEach(unit -> units.merge(small(unit.name()), unit.id(), (one, other) -> ""));
    Set<String> taken = new HashSet<>();
    structure.people().values().stream().filter(person -> person.login() != null).forEach(person -> taken.add(small(person.login())));
    PeopleTable.Read read = PeopleTable.read(text.text());
    List<TableFault> faults = new ArrayList<>();
    read.faults().forEach(fault -> faults.add(new TableFault(fault.line(), fault.what(), fault.remedy())));
    List<PeopleChange.SetPerson> changes = new ArrayList<>();
    for (PeopleTable.Row row : read.rows()) {
      String unit = row.unit() == null ? null : units.get(small(row.unit()));
      if (row.unit() != null && (unit == null || unit.isEmpty())) {
        faults.add(new TableFault(row.line(), unit == null ? "There is no unit called " + row.unit() + "." : "There are several units called " + row.unit() + ".", "Write the name of one unit, or leave it empty."));
      }
      if (row.login() != null && !taken.add(small(row.login()))) {
        faults.add(new TableFault(row.line(), "The login [" + row.login() + "] is taken.", "Leave the line out if " + row.name() + " is here already, or give another login."));
      }
      changes.add(new PeopleChange.SetPerson(new Person(NewIds.of("p"), row.name(), row.login(), row.email(), row.outsider(), true, unit)));
    }
    return new TableView(read.rows().stream().map(row -> new TableRow(row.line(), row.name(), row.login(), row.email(), row.unit(), row.outsider())).toList(), faults,
        faults.isEmpty() ? changes.stream().map(ChangeBody::of).toList() : List.of());
  }

  private static String small(String text) {
    return text.strip().toLowerCase(Locale.ROOT);
  }
}
