package palegate.server.asking;

import static org.assertj.core.api.Assertions.assertThat;

import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.ReadsTheDemo;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** What is typed as a question has the answer that the rooms give, from what whoever asks may know. */
@ExtendWith(InDemo.class)
@ReadsTheDemo
class AskingTest {
  private static JsonNode ask(Browser browser, String text) {
    Browser.Answer answer = browser.get("/api/asking?text=" + URLEncoder.encode(text, StandardCharsets.UTF_8));
    assertThat(answer.status()).as(text).isEqualTo(200);
    return answer.body();
  }

  @Test
  void yes_and_no_are_what_the_why_panel_says(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    for (String place : List.of("f-2406", "f-2607", "lib-acc", "lib-cas")) {
      for (String person : List.of("p-mia", "p-ola", "p-hesper")) {
        for (String right : List.of("read", "delete", "govern")) {
          boolean may = wenna.get("/api/why?person=" + person + "&place=" + place).body().path("rights").valueStream().anyMatch(one -> one.asString().equals(right));
          assertThat(ask(wenna, "can " + person + " " + right + " " + place).path("sentence").asString()).as(person + " " + right + " " + place).startsWith(may ? "Yes:" : "No:");
        }
      }
    }
    assertThat(ask(wenna, "why can't Mia Torrance read C-2607").path("sentence").asString()).isEqualTo("No: Mia Torrance cannot read Casualties / C-2607 Kittiwake; a wall keeps them out.");
    assertThat(ask(wenna, "Can mia torrence read kitiwake?").path("sentence").asString()).as("spelling is forgiven").isEqualTo("Yes: Mia Torrance can read Vessels / Kittiwake.");
    assertThat(ask(wenna, "can Mia Torrance read Correspondence in C-2406").path("sentence").asString()).contains("C-2406 Brannock Star / Correspondence");
  }

  @Test
  void counts_are_those_of_the_rooms_and_evidence_leads_there(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    int people = wenna.get("/api/places/lib-acc/people?limit=1").body().path("total").asInt();
    JsonNode who = ask(wenna, "who can reach Accounts");
    assertThat(who.path("sentence").asString()).startsWith(people + " people can reach Accounts");
    assertThat(who.path("evidence").path("place").asString()).isEqualTo("lib-acc");
    int documents = wenna.get("/api/people/p-mia").body().path("documents").asInt();
    assertThat(ask(wenna, "what can Mia Torrance reach").path("sentence").asString()).contains(String.format("%,d documents", documents));
    assertThat(ask(wenna, "who is behind the wall Tern Rock inquiry").path("sentence").asString()).startsWith("It keeps out " + wenna.get("/api/walls").body().valueStream().filter(wall -> wall.path("id").asString().equals("wall-fraud")).findFirst().orElseThrow().path("people").asInt() + " people");
    assertThat(ask(wenna, "what changed for Mia Torrance since March").path("evidence").path("thing").asString()).isEqualTo("person:p-mia");
    assertThat(ask(wenna, "what would it take for Mia Torrance to read C-2607").path("sentence").asString()).contains("way");
  }

  @Test
  void what_means_several_things_is_asked_back_and_each_of_them_can_be_asked(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    JsonNode answer = ask(wenna, "can Teodor read Accounts");
    assertThat(answer.path("sentence").asString("")).isEmpty();
    JsonNode options = answer.path("askedBack").get(0).path("options");
    assertThat(options.size()).isGreaterThan(1);
    options.forEach(option -> assertThat(ask(wenna, option.path("text").asString()).path("sentence").asString()).contains(option.path("name").asString()));
    assertThat(ask(wenna, "can Nobody Whoever read Accounts").path("missing").get(0).asString()).isEqualTo("Nobody Whoever");
    assertThat(ask(wenna, "what is the weather").path("understood").asBoolean()).isFalse();
  }

  @Test
  void what_is_being_typed_goes_on_with_names_that_may_be_known_only(TestApplication app) {
    String typed = "/api/asking/completions?text=" + URLEncoder.encode("who can read C-24", StandardCharsets.UTF_8);
    assertThat(app.signedIn("wenna.carrow").get(typed).body().toString()).contains("C-2411");
    assertThat(app.signedIn("ola.lindqvist").get(typed).body().toString()).doesNotContain("C-2411");
    assertThat(app.signedIn("wenna.carrow").get("/api/asking/completions?text=can%20mia%20torr").body().get(0).asString()).isEqualTo("can Mia Torrance ");
    assertThat(app.signedIn("mia.torrance").get(typed).status()).isEqualTo(403);
  }

  @Test
  void what_may_not_be_known_is_called_nothing(TestApplication app) {
    Browser ola = app.signedIn("ola.lindqvist");
    assertThat(ask(ola, "who can read C-2411").path("missing").get(0).asString()).isEqualTo("C-2411");
    assertThat(ask(ola, "who can read C-9999").toString().replace("C-9999", "C-2411")).isEqualTo(ask(ola, "who can read C-2411").toString());
    assertThat(app.signedIn("mia.torrance").get("/api/asking?text=who%20can%20read%20Accounts").status()).isEqualTo(403);
  }
}
