package palegate.server.session;

import jakarta.servlet.http.HttpServletRequest;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.context.annotation.Profile;
import org.springframework.session.SessionIdGenerator;
import org.springframework.session.web.http.CookieSerializer;
import org.springframework.session.web.http.DefaultCookieSerializer;

/**
 * Sessions are kept under the hash of what the browser holds. The id of a session is that hash; the token itself is known
 * from when it is made until its cookie is written, in the same request, and to nobody after that.
 */
@Configuration
@Profile("!describe")
class HashedSessionIds {
  private static final int NOT_YET_WRITTEN_AT_MOST = 10_000;

  private final Map<String, String> tokens = new ConcurrentHashMap<>();

  @Bean
  SessionIdGenerator sessionIds() {
    return () -> {
      if (tokens.size() > NOT_YET_WRITTEN_AT_MOST) {
        tokens.clear();
      }
      String token = Secrets.fresh();
      String id = Secrets.hash(token);
      tokens.put(id, token);
      return id;
    };
  }

  @Bean
  CookieSerializer cookies(@Value("${server.servlet.session.cookie.name}") String name) {
    DefaultCookieSerializer plain = new DefaultCookieSerializer();
    plain.setCookieName(name);
    plain.setUseHttpOnlyCookie(true);
    plain.setSameSite("Strict");
    plain.setUseBase64Encoding(false);
    return new CookieSerializer() {
      @Override
      public void writeCookieValue(CookieValue cookie) {
        String id = cookie.getCookieValue();
        if (id.isEmpty()) {
          plain.writeCookieValue(cookie);
          return;
        }
        String token = tokens.remove(id);
        if (token != null) {
          plain.writeCookieValue(new CookieValue(cookie.getRequest(), cookie.getResponse(), token));
        }
      }

      @Override
      public List<String> readCookieValues(HttpServletRequest request) {
        return plain.readCookieValues(request).stream().map(Secrets::hash).toList();
      }
    };
  }
}
