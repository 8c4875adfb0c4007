package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import com.microsoft.playwright.options.KeyboardModifier;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.TestApplication;

/** Lists as somebody uses them: looked through, put in order, walked along. */
@Order(3)
@ExtendWith(InBrowser.class)
class ListsTest {
  @BeforeEach
  void discardDraft(TestApplication app) {
    app.signedIn("wenna.carrow").delete("/api/draft");
  }

  private static Locator table(Page page, String name) {
    return page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  /** Read at one instant: rows come and go while the list is filled. */
  @SuppressWarnings("unchecked")
  private static List<String> column(Locator table, int cell) {
    return (List<String>) table.locator("[data-row]").evaluateAll("(rows, cell) => rows.map((row) => row.querySelectorAll('[role=cell]')[cell]?.innerText.trim() ?? '')", cell);
  }

  private static void sortBy(Locator table, String column) {
    table.getByRole(AriaRole.COLUMNHEADER, new Locator.GetByRoleOptions().setName(column)).getByRole(AriaRole.BUTTON).click();
  }

  private static void find(Page page, String field, String text) {
    page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName(field).setExact(true)).fill(text);
  }

  @Test
  void groups_with_the_most_people_first_then_those_with_the_fewest(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/people/groups");
    Locator groups = table(page, "Groups");
    sortBy(groups, "People");
    assertThat(groups.locator("[data-row='0']")).containsText("Adjusters");
    assertThat(column(groups, 1).stream().map(Integer::valueOf).toList()).isSortedAccordingTo((a, b) -> b - a);
    assertThat(groups.locator("[aria-sort='descending']")).hasText("People");
    sortBy(groups, "People");
    assertThat(groups.locator("[data-row='0']")).containsText("nobody in it");
    assertThat(column(groups, 1).stream().map(Integer::valueOf).toList()).isSorted();
    desk.leave(page);
  }

  @Test
  void what_is_typed_is_found_and_counted_and_what_is_not_there_is_said(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/people/groups");
    find(page, "Find a group", "desk");
    assertThat(page.locator(".find [role=status]").first()).containsText("matches");
    assertThat(column(table(page, "Groups"), 0)).isNotEmpty().allSatisfy(name -> assertThat(name.toLowerCase(Locale.ROOT)).contains("desk"));
    find(page, "Find a group", "no group is called that");
    assertThat(page.getByText("Nothing with “no group is called that” in it.")).isVisible();
    desk.leave(page);
  }

  @Test
  void a_statement_by_person_and_only_of_what_is_looked_for(Desk desk) {
    Page page = desk.signedIn("oriel.fenn");
    desk.open(page, "/statements?kind=place&id=lib-acc&grouping=none");
    Locator rows = table(page, "The statement");
    sortBy(rows, "Person");
    assertThat(rows.locator("[aria-sort='ascending']")).hasText("Person");
    assertThat(rows.locator("[data-row='0']")).containsText("Ansel Ashdown");
    assertThat(column(rows, 1)).isSorted();
    sortBy(rows, "Person");
    assertThat(rows.locator("[aria-sort='descending']")).hasText("Person");
    assertThat(rows.locator("[data-row='0']")).not().containsText("Ansel Ashdown");
    assertThat(column(rows, 1)).isSortedAccordingTo(Comparator.reverseOrder());
    find(page, "Find a person or a place", "oriel");
    assertThat(rows.locator("[data-row='0']")).containsText("Oriel Fenn");
    assertThat(column(rows, 1)).containsOnly("Oriel Fenn");
    desk.leave(page);
  }

  @Test
  void a_statement_as_it_was_at_the_end_of_an_earlier_day_names_the_change_that_held_then(Desk desk) {
    Page page = desk.signedIn("oriel.fenn");
    desk.open(page, "/statements?kind=place&id=lib-ten&grouping=none&documents=no");
    Locator about = page.locator(".about");
    assertThat(about).containsText("as of change 6");
    String now = about.innerText();
    page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("At the end of")).fill("2025-06-30");
    assertThat(about).containsText("as of change 1, 30 Jun 2025");
    assertThat(about.innerText().replaceAll(".*?\\d\\d:\\d\\d\\. ", "")).isNotEqualTo(now.replaceAll(".*?\\d\\d:\\d\\d\\. ", ""));
    assertThat(page.getByRole(AriaRole.LINK, new Page.GetByRoleOptions().setName("CSV"))).hasAttribute("href", Pattern.compile(".*at=2025-06-30T.*"));
    desk.leave(page);
  }

  @Test
  void a_rehearsal_narrowed_to_outsiders_in_every_list(Desk desk, TestApplication app) {
    app.signedIn("wenna.carrow").post("/api/draft/changes", Map.of("kind", "addGrant", "place", "lib-acc",
        "subject", Map.of("kind", "group", "id", "g-surveyors"), "role", "r-preparer"));
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/rehearsal");
    Locator people = table(page, "Who gains and who loses");
    assertThat(people.locator("[data-row='0']")).isVisible();
    int all = people.locator("[data-row]").count();
    page.getByLabel("Outsiders only").check();
    assertThat(people).hasAttribute("aria-rowcount", "4");
    assertThat(people.locator("[data-row]").count()).isEqualTo(3).isLessThan(all);
    assertThat(column(people, 0)).allSatisfy(name -> assertThat(name).contains("outsider"));
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Each person at each place")).click();
    Locator pairs = table(page, "Each person at each place");
    assertThat(pairs.locator("[data-row='0']")).containsText("outsider");
    assertThat(column(pairs, 0)).allSatisfy(name -> assertThat(name).contains("outsider"));
    desk.leave(page);
  }

  @Test
  void at_double_size_who_gains_and_where_stay_readable_in_a_rehearsal(Desk desk, TestApplication app) {
    app.signedIn("wenna.carrow").post("/api/draft/changes", Map.of("kind", "addGrant", "place", "lib-acc",
        "subject", Map.of("kind", "group", "id", "g-surveyors"), "role", "r-preparer"));
    Page page = desk.window(640, 400, false);
    desk.signIn(page, "wenna.carrow");
    for (String[] view : new String[][] {{"people", "Who gains and who loses"}, {"places", "Where something changes"}}) {
      desk.open(page, "/rehearsal?show=ALL&view=" + view[0]);
      Locator named = table(page, view[1]).locator("[data-row='0']").getByRole(AriaRole.CELL).first();
      assertThat((Integer) named.evaluate("cell => cell.clientWidth")).as(view[1]).isGreaterThanOrEqualTo(130);
    }
    desk.leave(page);
  }

  @Test
  void units_stand_as_a_tree_until_they_are_looked_for_or_put_in_order(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/people/units");
    Locator units = table(page, "Units");
    assertThat(units.locator("[data-row='0']")).containsText("Sallowpoint Adjusting");
    assertThat(units.locator("[data-row='1'] .who")).hasCSS("padding-left", "22px");
    sortBy(units, "People");
    assertThat(units.locator("[data-row='1'] .who")).hasCSS("padding-left", "0px");
    find(page, "Find a unit", "adjusting");
    assertThat(units).hasAttribute("aria-rowcount", "5");
    assertThat(column(units, 0)).allSatisfy(name -> assertThat(name).containsIgnoringCase("adjusting"));
    desk.leave(page);
  }

  @Test
  void what_a_person_is_in_and_alone_named_by_is_put_in_order(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/people/persons/p-teodor");
    Locator groups = table(page, "Groups");
    groups.locator("[data-row='0']").waitFor();
    sortBy(groups, "Group");
    assertThat(groups.locator("[data-row='0']")).containsText("Management");
    List<String> names = column(groups, 0);
    assertThat(names).hasSizeGreaterThan(2).isSorted();
    sortBy(groups, "Group");
    assertThat(groups.locator("[data-row='0']")).containsText(names.get(names.size() - 1));
    assertThat(table(page, "Entries of this person alone").locator("[data-row]")).hasCount(1);
    desk.leave(page);
  }

  @Test
  void an_access_list_is_sorted_by_whom_its_lines_name(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/places/f-2406");
    page.locator("tr[data-entry]").first().waitFor();
    page.locator("th button", new Page.LocatorOptions().setHasText("Who")).click();
    List<String> who = page.locator("tr[data-entry] .who").allInnerTexts();
    assertThat(who).isNotEmpty().isSorted();
    page.locator("th button", new Page.LocatorOptions().setHasText("Who")).click();
    assertThat(page.locator("tr[data-entry] .who").allInnerTexts()).isSortedAccordingTo((a, b) -> b.compareTo(a));
    desk.leave(page);
  }

  @Test
  void rows_are_walked_with_the_arrow_keys_and_only_those_in_sight_exist(Desk desk) {
    Page page = desk.signedIn("oriel.fenn");
    desk.open(page, "/statements?kind=place&id=root&grouping=none");
    Locator rows = table(page, "The statement");
    rows.locator("[data-row='0']").waitFor();
    assertThat(Integer.parseInt(rows.getAttribute("aria-rowcount"))).as("a list of thousands").isGreaterThan(5_000);
    assertThat(rows.locator("[data-row]").count()).as("rows that exist").isLessThan(60);
    rows.focus();
    for (int i = 0; i < 40; i++) {
      page.keyboard().press("ArrowDown");
    }
    assertThat(rows.locator("[data-row]:focus")).hasAttribute("data-row", "39");
    rows.evaluate("list => { list.scrollTop = list.scrollHeight }");
    assertThat(rows.locator("[data-row='39']")).isFocused();
    page.keyboard().press("ArrowUp");
    assertThat(rows.locator("[data-row='38']")).isFocused();
    assertThat(rows.locator("[data-row='38']")).isInViewport();
    desk.leave(page);
  }

  @Test
  void at_double_size_too_only_the_rows_in_sight_exist(Desk desk) {
    Page page = desk.window(640, 400, false);
    desk.signIn(page, "wenna.carrow");
    for (String[] list : new String[][] {{"/people/persons", "Persons"}, {"/people/groups", "Groups"}, {"/statements?kind=place&id=root&grouping=none", "The statement"}}) {
      desk.open(page, list[0]);
      Locator rows = table(page, list[1]);
      rows.locator("[data-row='0']").waitFor();
      assertThat((Integer) rows.evaluate("list => list.clientHeight")).as(list[1]).isBetween(150, 400);
      assertThat(rows.locator("[data-row]").count()).as(list[1]).isLessThan(Math.min(26, Integer.parseInt(rows.getAttribute("aria-rowcount")) - 1));
    }
    desk.leave(page);
  }

  @Test
  void many_people_are_chosen_all_but_one_and_put_into_a_group_at_once(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/people/persons");
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Outsiders").setExact(true)).click();
    Locator all = page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^Choose all \\d+$")));
    assertThat(page.locator("[data-row='0']")).containsText("outsider");
    int outsiders = Integer.parseInt(all.evaluate("(one) => one.closest('label').innerText").toString().replaceAll("\\D", ""));
    all.check();
    page.locator("[data-row='2'] input").click();
    Locator chosen = page.getByText(Pattern.compile("people chosen$"));
    assertThat(chosen).hasText((outsiders - 1) + " people chosen");
    page.getByText("Choose none").click();
    page.locator("[data-row='1'] input").click();
    page.locator("[data-row='4'] input").click(new Locator.ClickOptions().setModifiers(List.of(KeyboardModifier.SHIFT)));
    assertThat(chosen).hasText("4 people chosen");
    page.locator("[data-row='2'] input").click();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Do the same with all …")).click();
    page.getByRole(AriaRole.COMBOBOX, new Page.GetByRoleOptions().setName("The group")).fill("Surveyors");
    page.locator(".v-list-item").filter(new Locator.FilterOptions().setHasText("Surveyors")).first().click();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Add to the draft").setExact(true)).click();
    assertThat(page.locator(".tray")).containsText("3 changes");
    assertThat(chosen).hasCount(0);
    desk.leave(page);
  }

  @Test
  void what_is_shared_is_taken_back_all_at_once(Desk desk) {
    Page page = desk.signedIn("wenna.carrow");
    desk.open(page, "/shares/register");
    page.getByRole(AriaRole.CHECKBOX, new Page.GetByRoleOptions().setName(Pattern.compile("^Choose all \\d+$"))).check();
    page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Take them back").setExact(true)).click();
    assertThat(page.getByText("taken back by your draft").first()).isVisible();
    assertThat(page.getByText("chosen", new Page.GetByTextOptions().setExact(false))).hasCount(0);
    desk.leave(page);
  }
}
