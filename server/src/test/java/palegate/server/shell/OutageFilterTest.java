package palegate.server.shell;

import static org.assertj.core.api.Assertions.assertThatCode;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.anyInt;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import jakarta.servlet.ServletOutputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.dao.DataAccessResourceFailureException;
import tools.jackson.databind.json.JsonMapper;

class OutageFilterTest {
  private final OutageFilter filter = new OutageFilter(JsonMapper.shared());
  private final HttpServletResponse response = mock();

  @BeforeEach
  void somewhereToWrite() throws IOException {
    when(response.getOutputStream()).thenReturn(mock(ServletOutputStream.class));
  }

  private void whileAnswering(RuntimeException failure) throws Exception {
    filter.doFilterInternal(mock(HttpServletRequest.class), response, (request, answered) -> {
      throw failure;
    });
  }

  private void answered(int status) {
    when(response.isCommitted()).thenReturn(true);
    when(response.getStatus()).thenReturn(status);
  }

  @Test
  void whoever_was_told_of_an_outage_gets_the_whole_answer_even_if_the_session_cannot_be_kept() {
    answered(503);
    assertThatCode(() -> whileAnswering(new DataAccessResourceFailureException("away"))).doesNotThrowAnyException();
    verify(response, never()).setStatus(anyInt());
  }

  @Test
  void an_answer_that_an_outage_cut_off_is_broken_off_and_never_looks_whole() {
    answered(200);
    RuntimeException away = new DataAccessResourceFailureException("away");
    assertThatThrownBy(() -> whileAnswering(away)).isSameAs(away);
  }

  @Test
  void a_fault_is_never_taken_for_an_outage() {
    answered(503);
    RuntimeException fault = new IllegalStateException("a fault");
    assertThatThrownBy(() -> whileAnswering(fault)).isSameAs(fault);
  }

  @Test
  void an_outage_before_any_answer_is_said() throws Exception {
    whileAnswering(new DataAccessResourceFailureException("away"));
    verify(response).setStatus(503);
  }
}
