package palegate.server.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.EOFException;
import java.io.IOException;
import org.apache.catalina.connector.ClientAbortException;
import org.junit.jupiter.api.Test;

/** Nothing that fails is swallowed but that whoever asked has left. */
class ProblemAdviceTest {
  private final ProblemAdvice advice = new ProblemAdvice();

  @Test
  void whoever_left_is_told_nothing_and_whatever_else_breaks_is_said() {
    assertThat(advice.anythingElse(new ClientAbortException(new IOException("Broken pipe")))).isNull();
    for (Exception failed : new Exception[] {new EOFException(), new IOException("Broken pipe"), new IOException("Connection reset by peer"), new IllegalStateException("x")}) {
      assertThat(advice.anythingElse(failed).getStatusCode().value()).as("%s", failed).isEqualTo(500);
    }
  }
}
