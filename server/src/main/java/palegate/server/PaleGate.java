package palegate.server;

import java.time.Clock;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.SpringApplication;
import org.springframework.boot.autoconfigure.SpringBootApplication;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.annotation.Bean;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.EnableScheduling;

/** The application. */
@SpringBootApplication
@EnableScheduling
public class PaleGate {
  private static final Logger LOG = LoggerFactory.getLogger(PaleGate.class);

  public static void main(String[] arguments) {
    SpringApplication.run(PaleGate.class, arguments);
  }

  @Bean
  Clock clock() {
    return Clock.systemUTC();
  }

  @EventListener(ApplicationReadyEvent.class)
  void ready() {
    LOG.info("Pale Gate is ready");
  }
}
