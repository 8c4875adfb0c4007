package palegate.core.people;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;

class PeopleTableTest {
  private static final PeopleTable.Row MIA = new PeopleTable.Row(2, "Mia Teal", "mia.teal", "mia@example.org", "Accounts", false);

  @Test
  void columns_stand_in_any_order_and_are_cut_as_the_first_line_is() {
    assertThat(PeopleTable.read("name,login,email,unit,outsider\nMia Teal,mia.teal,mia@example.org,Accounts,no").rows()).containsExactly(MIA);
    assertThat(PeopleTable.read("\uFEFFE-mail\tUnit\tName\tLogin\nmia@example.org\tAccounts\tMia Teal\tmia.teal\n").rows()).as("pasted from a spreadsheet").containsExactly(MIA);
    assertThat(PeopleTable.read("name;external\n\"Teal; Mia\";x").rows()).containsExactly(new PeopleTable.Row(2, "Teal; Mia", null, null, null, true));
  }

  @Test
  void all_faults_are_told_at_once_each_with_its_line() {
    PeopleTable.Read read = PeopleTable.read("name,shoes,outsider\n,9,no\nOla,9,perhaps\nPer,9,yes");
    assertThat(read.faults()).extracting(PeopleTable.Fault::line).containsExactly(1, 2, 3);
    assertThat(read.rows()).as("read on, so that what else is wrong with them is told too").hasSize(2);
    assertThat(PeopleTable.read("Mia Teal\nOla").faults()).extracting(PeopleTable.Fault::what).anyMatch(what -> what.contains("no column for names"));
    assertThat(PeopleTable.read("name\n\"Mia").faults()).isNotEmpty();
    assertThat(PeopleTable.read("").faults()).isEmpty();
  }
}
