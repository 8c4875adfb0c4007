package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** A field that becomes of another kind while documents hold values of it. */
@ExtendWith(InBrowser.class)
class ConversionTest {
  private static final int VALUES = 12;

  @BeforeEach
  void giveTwelveLettersADate(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.delete("/api/draft");
    JsonNode letters = wenna.get("/api/places?text=Letter").body().path("items");
    wenna.post("/api/draft/changes", Map.of("kind", "setType", "type", "letter", "name", "Letter", "guarded", false,
        "fields", List.of(Map.of("key", "sent", "label", "Sent", "kind", "TEXT", "choices", List.of(), "required", false, "hidden", false))));
    for (int i = 0; i < VALUES; i++) {
      wenna.post("/api/draft/changes", Map.of("kind", "setLabels", "place", letters.get(i).path("id").asString(),
          "labels", Map.of("sent", i % 3 == 0 ? "last week" : (i + 10) + "/11/2026")));
    }
  }

  private static Locator button(Page page, String name) {
    return page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true));
  }

  @Test
  void every_value_is_listed_before_it_is_converted_those_that_cannot_be_first(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/types/letter");
    page.getByLabel("Holds").first().click(new Locator.ClickOptions().setForce(true));
    page.getByRole(AriaRole.OPTION, new Page.GetByRoleOptions().setName("date").setExact(true)).click();
    button(page, "Add the change to the draft").click();
    Locator list = page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Values that are converted"));
    assertThat(page.getByText("8 of 12 values of documents can be converted.")).isVisible();
    assertThat(page.locator(".detail .caution").first()).containsText("The other 4 cannot be, and stay as they are.");
    assertThat(list).hasAttribute("aria-rowcount", "13");
    assertThat(list.locator("[data-row='0']")).containsText("“last week”");
    assertThat(list.locator("[data-row='0']")).containsText("cannot be converted");

    page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Find a value")).fill("15/11");
    assertThat(list).hasAttribute("aria-rowcount", "2");
    assertThat(list.locator("[data-row='0']")).containsText("becomes “2026-11-15”");
    button(page, "Convert, and add to the draft").click();
    assertThat(page.locator("footer.tray")).containsText("14 changes");
    desk.leave(page);
  }

  @Test
  void fields_are_found_and_a_new_one_takes_the_focus(Desk desk) {
    Page page = desk.open(desk.signedIn("wenna.carrow"), "/types/letter");
    Locator fields = page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Fields of the type"));
    assertThat(fields.locator("[data-row]")).hasCount(1);
    for (int i = 2; i <= 12; i++) {
      button(page, "Add a field").click();
      assertThat(page.getByLabel("Field " + i, new Page.GetByLabelOptions().setExact(true))).isFocused();
      page.keyboard().type(i == 12 ? "Port of registry" : "Mark " + i);
    }
    page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Find a field")).fill("registry");
    assertThat(fields).hasAttribute("aria-rowcount", "2");
    assertThat(fields.locator(".number")).hasText("12");
    desk.leave(page);
  }
}
