package palegate.server.testkit;

import org.junit.jupiter.api.extension.AfterAllCallback;
import org.junit.jupiter.api.extension.BeforeAllCallback;
import org.junit.jupiter.api.extension.BeforeEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;

/** Gives a test class an application of its own with the demo in it; drafts are discarded between tests. */
public final class InDemo implements BeforeAllCallback, BeforeEachCallback, AfterAllCallback, ParameterResolver {
  private TestDatabase database;
  private TestApplication application;

  @Override
  public void beforeAll(ExtensionContext context) {
    database = TestDatabase.start();
    application = TestApplication.start(database);
  }

  @Override
  public void beforeEach(ExtensionContext context) {
    application.signedIn("wenna.carrow").delete("/api/draft");
    application.signedIn("teodor.brask").delete("/api/draft");
  }

  @Override
  public void afterAll(ExtensionContext context) {
    application.close();
    database.close();
  }

  @Override
  public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
    return parameter.getParameter().getType() == TestApplication.class;
  }

  @Override
  public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
    return application;
  }
}
