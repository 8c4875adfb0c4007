package palegate.e2e;

import static com.microsoft.playwright.assertions.PlaywrightAssertions.assertThat;
import static org.assertj.core.api.Assertions.assertThat;

import com.microsoft.playwright.Locator;
import com.microsoft.playwright.Page;
import com.microsoft.playwright.options.AriaRole;

/** Somebody at a page whose clicks and keys are counted, one for each press. */
final class Hands {
  private Page page;
  private int clicks;
  private int keys;

  Hands(Page page) {
    this.page = page;
  }

  Page page() {
    return page;
  }

  /** Goes on at another window; what was done counts on. */
  void sitDownAt(Page other) {
    page = other;
  }

  void click(Locator what) {
    what.click();
    clicks++;
  }

  void button(String name) {
    click(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName(name).setExact(true)).last());
  }

  void press(String... pressed) {
    for (String key : pressed) {
      page.keyboard().press(key);
      keys++;
      Desk.drawn(page);
    }
  }

  void type(String text) {
    page.keyboard().type(text);
    keys += text.length();
  }

  /** With one click into the field. */
  void fill(Locator field, String text) {
    click(field);
    type(text);
  }

  /** Chooses from a list that is offered for what is typed into the field that has the focus. */
  void choose(String text, String item) {
    type(text);
    offered(item).waitFor();
    press("ArrowDown", "Enter");
  }

  /** Chooses from a list that opens. */
  void select(Locator field, String item) {
    click(field);
    click(offered(item));
  }

  private Locator offered(String item) {
    return page.locator(".v-list-item:visible").filter(new Locator.FilterOptions().setHasText(item)).first();
  }

  /** By the palette: a key, part of the name, Enter. */
  void goTo(String text, String title) {
    act(text, title);
    assertThat(page.getByRole(AriaRole.DIALOG)).hasCount(0);
  }

  /** Something that the screen does, in the same way; a dialog may be open after it. */
  void act(String text, String title) {
    press("k");
    Locator dialog = page.getByRole(AriaRole.DIALOG);
    assertThat(dialog.getByRole(AriaRole.COMBOBOX)).isFocused();
    type(text);
    assertThat(dialog.getByRole(AriaRole.OPTION).first()).containsText(title);
    press("Enter");
  }

  /** Waits until what is typed lands in a field of the dialog. */
  void inDialog() {
    page.waitForFunction("() => document.activeElement.matches('[role=dialog] input, [role=dialog] textarea')");
  }

  void inForce(String why) {
    press("r");
    page.waitForURL("**/rehearsal*");
    fill(page.getByLabel("Why: this note stands in the journal"), why);
    assertThat(page.getByRole(AriaRole.BUTTON, new Page.GetByRoleOptions().setName("Put in force").setExact(true))).isEnabled();
    press("Enter");
    page.waitForURL("**/journal/*");
  }

  /** Goes on with Tab until something has the focus. */
  void tabTo(Locator wanted) {
    wanted.waitFor();
    while (!(Boolean) wanted.evaluate("element => element === document.activeElement || element.contains(document.activeElement)")) {
      press("Tab");
      assertThat(keys).as("keys until %s has the focus", wanted).isLessThan(300);
    }
  }

  void took(String job, int clicksAtMost, int keysAtMost) {
    System.out.printf("%s: %d clicks, %d keys (at most %d and %d)%n", job, clicks, keys, clicksAtMost, keysAtMost);
    assertThat(clicks).as("clicks of: %s", job).isLessThanOrEqualTo(clicksAtMost);
    assertThat(keys).as("keys of: %s", job).isLessThanOrEqualTo(keysAtMost);
  }
}
