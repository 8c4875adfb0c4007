package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.TestApplication;

/** Every trouble that is planted in the demo is gone through, from the list to its fix, in one round: read, fix, next. */
@ExtendWith(InBrowser.class)
class MorningRoundTest {
  /** By rule, what each is about, where the demo has one that is planted; otherwise the first will do. The gravest rules first, as the list has them. */
  private static final Map<String, String> PLANTED = new LinkedHashMap<>();

  static {
    PLANTED.put("outsider-in-staff-group", "group:g-team-2406");
    PLANTED.put("no-keeper", "place:lib-acc-2024-contracts");
    PLANTED.put("type-cleared-for-nobody", "type:appraisal");
    PLANTED.put("wall-covers-nothing", "wall:wall-pilgrim");
    PLANTED.put("rights-beyond-peers", "entry:e-146");
    PLANTED.put("wall-gap", "");
    PLANTED.put("condition-too-long", "place:d-10004");
    PLANTED.put("ends-soon", "");
    PLANTED.put("entry-ended", "");
    PLANTED.put("entry-without-effect", "entry:w-1");
    PLANTED.put("person-entry-covered-by-group", "");
    PLANTED.put("group-empty", "group:g-ice");
    PLANTED.put("group-same-as-another", "group:g-cargo-desk");
    PLANTED.put("break-nearly-same", "place:f-2513");
  }

  /** Which only a person can mend: a conflict on a wall, a value that nobody but they knows. */
  private static final List<String> FOR_A_PERSON = List.of("wall-conflict", "required-field-missing");

  private static Locator list(Page page) {
    return page.getByRole(AriaRole.TABLE, new Page.GetByRoleOptions().setName("Findings"));
  }

  /** What the list has of a rule: text by key. */
  private static Map<String, String> found(Browser wenna, String rule) {
    Map<String, String> found = new LinkedHashMap<>();
    wenna.get("/api/findings?limit=200&rule=" + rule).body().path("findings").path("items").valueStream().forEach(row -> found.put(row.path("key").asString(), row.path("text").asString()));
    return found;
  }

  @Test
  void each_planted_trouble_is_read_in_the_list_put_into_the_draft_and_gone_once_that_is_in_force(Desk desk, TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.discardDrafts();
    Page page = desk.signedIn("wenna.carrow");
    Map<String, String> mended = new LinkedHashMap<>();
    desk.open(page, "/findings");
    Locator search = page.getByRole(AriaRole.TEXTBOX, new Page.GetByRoleOptions().setName("Find in the findings"));
    PLANTED.forEach((rule, thing) -> {
      Map.Entry<String, String> one = found(wenna, rule).entrySet().stream().filter(each -> each.getKey().contains(thing)).findFirst().orElseThrow(() -> new AssertionError("Nothing is found by " + rule + " about [" + thing + "]."));
      search.fill(one.getValue());
      list(page).getByRole(AriaRole.LINK, new Locator.GetByRoleOptions().setName(one.getValue()).setExact(true)).first().click();
      Locator article = page.getByRole(AriaRole.ARTICLE);
      assertThat(article.getByRole(AriaRole.HEADING, new Locator.GetByRoleOptions().setLevel(2))).hasText(one.getValue());
      article.getByRole(AriaRole.LIST, new Locator.GetByRoleOptions().setName("Fixes")).getByRole(AriaRole.BUTTON).first().click();
      assertThat(article).containsText("It is in your draft.");
      mended.put(rule, one.getKey());
    });
    // All of them lie in one draft by now; one that another one has mended already would have been refused.
    assertThat(wenna.get("/api/draft").body().path("items").size()).isGreaterThanOrEqualTo(PLANTED.size());
    for (String rule : FOR_A_PERSON) {
      desk.open(page, "/findings?rule=" + rule);
      list(page).locator("[data-row]").first().getByRole(AriaRole.LINK).click();
      assertThat(page.getByRole(AriaRole.ARTICLE)).containsText("What would mend it");
    }
    Browser.Answer answer = wenna.putInForce(true);
    assertThat(answer.status()).as(answer.body().toString()).isEqualTo(200);
    mended.forEach((rule, key) -> assertThat(found(wenna, rule)).as(rule).doesNotContainKey(key));
    desk.leave(page);
  }
}
