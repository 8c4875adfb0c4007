package palegate.server.updates;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import java.net.http.HttpResponse;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import palegate.core.people.Person;
import palegate.server.store.Snapshots;
import palegate.server.store.StructureStore;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;

/** Open pages are told of changes. */
@ExtendWith(InDemo.class)
class UpdatesTest {
  @Test
  void a_page_is_told_the_newest_change_at_once_and_then_every_other(TestApplication app) throws Exception {
    long head = app.bean(StructureStore.class).head();
    Iterator<String> told = changes(app.signedIn("oriel.fenn").listen("/api/updates").body());
    assertThat(next(told)).isEqualTo(Long.toString(head));
    Browser wenna = app.signedIn("wenna.carrow");
    wenna.post("/api/draft/changes", Map.of("kind", "renamePlace", "place", "f-2417", "name", "Told of"));
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    String then = next(told);
    assertThat(then.equals(Long.toString(head)) ? next(told) : then).isEqualTo(Long.toString(head + 1));
  }

  @Test
  void a_session_has_so_many_and_no_more_and_another_is_told_all_the_same(TestApplication app) {
    Browser oriel = app.signedIn("oriel.fenn");
    List<HttpResponse<Stream<String>>> open = new ArrayList<>();
    for (int i = 0; i < Streams.A_SESSION_AT_MOST; i++) {
      open.add(oriel.listen("/api/updates"));
    }
    assertThat(open).allMatch(stream -> stream.statusCode() == 200);
    Browser.Answer refused = oriel.get("/api/updates");
    assertThat(refused.status()).isEqualTo(429);
    assertThat(refused.problem()).isEqualTo("too-many-streams");
    assertThat(app.signedIn("wenna.carrow").listen("/api/updates").statusCode()).isEqualTo(200);
  }

  @Test
  void whoever_signs_out_is_told_nothing_more(TestApplication app) throws Exception {
    Browser oriel = app.signedIn("oriel.fenn");
    HttpResponse<Stream<String>> stream = oriel.listen("/api/updates");
    CompletableFuture<Void> ended = CompletableFuture.runAsync(() -> stream.body().forEach(line -> { }));
    assertThat(oriel.delete("/api/session").status()).isEqualTo(204);
    assertThatCode(() -> ended.get(10, TimeUnit.SECONDS)).doesNotThrowAnyException();
    assertThat(oriel.get("/api/updates").status()).isEqualTo(401);
  }

  @Test
  void whoever_may_no_longer_come_in_is_told_nothing_more(TestApplication app) throws Exception {
    Iterator<String> told = changes(app.signedIn("teodor.brask").listen("/api/updates").body());
    next(told);
    Browser wenna = app.signedIn("wenna.carrow");
    Person teodor = app.bean(Snapshots.class).current().snapshot().structure().people().get("p-teodor");
    Map<String, Object> change = new HashMap<>(Map.of("kind", "setPerson", "person", teodor.id(), "name", teodor.name(), "external", false, "active", false,
        "login", teodor.login(), "unit", teodor.unit()));
    wenna.post("/api/draft/changes", change);
    long head = app.bean(StructureStore.class).head();
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
    assertThat(CompletableFuture.supplyAsync(() -> {
      List<String> rest = new ArrayList<>();
      told.forEachRemaining(rest::add);
      return rest;
    }).get(10, TimeUnit.SECONDS)).as("it ends, and not with the change that ended it").doesNotContain(Long.toString(head + 1));
    change.put("active", true);
    wenna.post("/api/draft/changes", change);
    assertThat(wenna.putInForce(true).status()).isEqualTo(200);
  }

  private static Iterator<String> changes(Stream<String> lines) {
    return lines.filter(line -> line.startsWith("data:")).map(line -> line.substring("data:".length())).iterator();
  }

  private static String next(Iterator<String> told) throws Exception {
    return CompletableFuture.supplyAsync(told::next).get(10, TimeUnit.SECONDS);
  }
}
