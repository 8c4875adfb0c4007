package palegate.server.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.assertj.core.api.SoftAssertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import palegate.server.testkit.Browser;
import palegate.server.testkit.InDemo;
import palegate.server.testkit.TestApplication;

/** What holds for every endpoint there is, found from the application itself: a new one cannot be forgotten. */
@ExtendWith(InDemo.class)
class EveryEndpointTest {
  private record Endpoint(RequestMethod method, String path) {
    @Override
    public String toString() {
      return method + " " + path;
    }
  }

  /** Signing in and out, finding out whether one is, and setting a first password: for everybody. */
  private static boolean isSession(Endpoint endpoint) {
    return endpoint.path().equals("/api/session") || endpoint.path().equals("/api/invitations/redemption");
  }

  private static Set<Endpoint> endpoints(TestApplication app) {
    Set<Endpoint> endpoints = new LinkedHashSet<>();
    app.bean(RequestMappingHandlerMapping.class).getHandlerMethods().keySet().forEach(info -> info.getPatternValues().stream()
        .filter(path -> path.startsWith("/api/"))
        .forEach(path -> info.getMethodsCondition().getMethods().forEach(method -> endpoints.add(new Endpoint(method, path)))));
    return endpoints;
  }

  private static String filled(String path) {
    return path.replaceAll("\\{[^}]*}", "1");
  }

  private static Browser.Answer ask(Browser browser, Endpoint endpoint) {
    String path = filled(endpoint.path());
    return switch (endpoint.method()) {
      case GET -> browser.get(path);
      case PUT -> browser.put(path, "text/plain", new byte[] {65});
      case DELETE -> browser.delete(path);
      default -> browser.post(path, Map.of());
    };
  }

  @Test
  void tells_nothing_and_does_nothing_for_somebody_who_is_not_signed_in(TestApplication app) {
    Browser stranger = Browser.at(app.address());
    stranger.get("/api/session");
    SoftAssertions all = new SoftAssertions();
    Set<Endpoint> endpoints = endpoints(app);
    assertThat(endpoints).as("endpoints are found").hasSizeGreaterThan(60);
    for (Endpoint endpoint : endpoints) {
      if (!isSession(endpoint)) {
        Browser.Answer answer = ask(stranger, endpoint);
        all.assertThat(answer.status()).as("%s", endpoint).isEqualTo(401);
        all.assertThat(answer.bytes().length).as("%s says no more than that", endpoint).isLessThan(400);
      }
    }
    all.assertAll();
  }

  @Test
  void that_changes_something_takes_the_protection_token(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    SoftAssertions all = new SoftAssertions();
    endpoints(app).stream().filter(endpoint -> endpoint.method() == RequestMethod.POST)
        .forEach(endpoint -> all.assertThat(wenna.postUnprotected(filled(endpoint.path()), Map.of()).status()).as("%s", endpoint).isEqualTo(403));
    all.assertAll();
  }

  @Test
  void that_drafts_or_puts_in_force_is_closed_to_an_auditor(TestApplication app) {
    Browser oriel = app.signedIn("oriel.fenn");
    SoftAssertions all = new SoftAssertions();
    endpoints(app).stream().filter(endpoint -> endpoint.method() != RequestMethod.GET && !isSession(endpoint))
        // An auditor may preview what content a document has been given, never change it: the place itself decides that.
        // What somebody does as a person, or with their own account, is not what a duty lets them do.
        .filter(endpoint -> !endpoint.path().endsWith("/content") && !endpoint.path().startsWith("/api/papers") && !endpoint.path().startsWith("/api/session/") && !endpoint.path().startsWith("/api/notices/"))
        // To prove a wall and to walk are ways of looking; what they leave behind is that somebody looked.
        .filter(endpoint -> !endpoint.path().startsWith("/api/statements/") && !endpoint.path().startsWith("/api/reviews/") && !endpoint.path().startsWith("/api/walls/{id}/proofs") && !endpoint.path().equals("/api/walk/{person}"))
        // Cells are asked for with the heads they are under, and a matrix kept under a name gives nobody anything; nor does having seen what is new.
        .filter(endpoint -> !endpoint.path().equals("/api/matrix/cells") && !endpoint.path().startsWith("/api/matrix/views") && !endpoint.path().equals("/api/gatehouse/visit"))
        // To say something about a finding, or to look how less could be said, changes nothing.
        .filter(endpoint -> !endpoint.path().equals("/api/findings/comments") && !endpoint.path().equals("/api/findings/mining"))
        .forEach(endpoint -> all.assertThat(ask(oriel, endpoint).status()).as("%s", endpoint).isEqualTo(403));
    all.assertAll();
  }

  @Test
  void an_address_that_is_refused_before_it_is_read_is_said_as_a_problem_too(TestApplication app) {
    for (String odd : List.of("/api/drafts//schedule", "/api/places/a;b=c", "/api/people/%0a")) {
      Browser.Answer answer = app.signedIn("wenna.carrow").get(odd);
      assertThat(answer.status()).as(odd).isEqualTo(400);
      assertThat(answer.problem()).as(odd).isEqualTo("bad-address");
    }
  }

  @Test
  void answers_nonsense_with_a_problem_document_and_never_with_a_failure_of_its_own(TestApplication app) {
    Browser wenna = app.signedIn("wenna.carrow");
    SoftAssertions all = new SoftAssertions();
    for (Endpoint endpoint : endpoints(app)) {
      if (!isSession(endpoint) && !endpoint.path().equals("/api/updates")) { // which does not end
        Browser.Answer answer = ask(wenna, endpoint);
        all.assertThat(answer.status()).as("%s", endpoint).isLessThan(500);
        if (answer.status() >= 400) {
          all.assertThat(answer.header("content-type")).as("%s", endpoint).startsWith("application/problem+json");
          all.assertThat(answer.body().path("title").asString("")).as("%s", endpoint).isNotBlank();
          all.assertThat(answer.body().path("detail").asString("")).as("%s: %s", endpoint, answer.body()).isNotBlank();
        }
      }
    }
    all.assertAll();
  }
}
