package palegate.server.journal;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.snapshot.Snapshot;
import palegate.server.store.Contents;
import palegate.server.store.Snapshots;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.OwnDatabase;
import palegate.server.testkit.TestApplication;
import tools.jackson.databind.JsonNode;

/** What is put into documents stands in the journal, as far as one may know the documents. */
@ExtendWith(InDemo.class)
@OwnDatabase
class ContentPutsTest {
  private static JsonNode puts(Browser asker, String text) {
    Browser.Answer answer = asker.get("/api/journal/contents?limit=500&text=" + text);
    assertThat(answer.status()).isEqualTo(200);
    return answer.body().path("puts");
  }

  private static List<String> lines(JsonNode puts) {
    return puts.path("items").valueStream().map(put -> put.path("path").asString() + " " + put.path("version").asInt() + " " + put.path("by").asString()).toList();
  }

  @Test
  void every_version_is_listed_newest_first_and_nothing_of_what_one_may_not_know(TestApplication app) {
    Browser oriel = app.signedIn("oriel.fenn");
    Browser ola = app.signedIn("ola.lindqvist");
    int before = puts(oriel, "").path("total").asInt();
    int olas = puts(ola, "").path("total").asInt();
    Snapshot state = app.bean(Snapshots.class).current().snapshot();
    int document = state.below(state.placeNumber("lib-people")).filter(place -> state.place(place).isDocument()).findFirst().orElseThrow();
    String hidden = state.place(document).id();
    String path = state.pathText(document);
    Contents contents = app.bean(Contents.class);
    int first = contents.put(hidden, "text/plain", "One".getBytes(StandardCharsets.UTF_8), "wenna.carrow", TestApplication.TODAY);
    contents.put(hidden, "text/plain", "Two".getBytes(StandardCharsets.UTF_8), "wenna.carrow", TestApplication.TODAY.plusSeconds(60));
    assertThat(lines(puts(oriel, ""))).startsWith(path + " " + (first + 1) + " Wenna Carrow", path + " " + first + " Wenna Carrow");
    assertThat(puts(oriel, "").path("total").asInt()).isEqualTo(before + 2);
    assertThat(ola.get("/api/places/" + hidden).status()).as("he may not know it").isEqualTo(404);
    assertThat(puts(ola, "").path("total").asInt()).as("nor that anything was put").isEqualTo(olas);
    assertThat(lines(puts(oriel, "wenna"))).hasSize(2);
    assertThat(lines(puts(oriel, "nobody-of-that-name"))).isEmpty();
    assertThat(contents.newest(hidden::equals, 1)).as("what is wanted, however much stands before it").singleElement().satisfies(put -> assertThat(put.version()).isEqualTo(first + 1));
    assertThat(contents.newest(place -> false, 1)).isEmpty();
    assertThat(app.signedIn("mia.torrance").get("/api/journal/contents").status()).isEqualTo(app.signedIn("mia.torrance").get("/api/journal").status());
  }
}
