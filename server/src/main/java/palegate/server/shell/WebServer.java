package palegate.server.shell;

import org.springframework.boot.tomcat.servlet.TomcatServletWebServerFactory;
import org.springframework.boot.web.server.WebServerFactoryCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.json.JsonMapper;

/** The web server's own bounds, before any of the application's code is asked. */
@Configuration
class WebServer {
  @Bean
  WebServerFactoryCustomizer<TomcatServletWebServerFactory> gates(JsonMapper json) {
    return factory -> factory.addEngineValves(new BodyGate(json));
  }
}
