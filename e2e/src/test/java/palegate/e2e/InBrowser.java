package palegate.e2e;

import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import palegate.server.testkit.TestApplication;
import palegate.server.testkit.TestDatabase;

/** Gives a class of browser tests an application of its own with the demo, and a Chromium. */
final class InBrowser implements ParameterResolver {
  private static final ExtensionContext.Namespace HERE = ExtensionContext.Namespace.create(InBrowser.class);

  private record Running(TestDatabase database, TestApplication application, Desk desk) implements ExtensionContext.Store.CloseableResource {
    static Running begin(Class<?> tests) {
      TestDatabase database = TestDatabase.startFor(tests);
      TestApplication application = TestApplication.startNow(database);
      return new Running(database, application, new Desk(application.address()));
    }

    @Override
    public void close() {
      desk.close();
      application.close();
      database.close();
    }
  }

  @Override
  public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
    Class<?> type = parameter.getParameter().getType();
    return type == TestApplication.class || type == Desk.class;
  }

  @Override
  public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
    ExtensionContext testClass = context.getParent().filter(above -> above.getTestClass().isPresent()).orElse(context);
    Running running = testClass.getStore(HERE).getOrComputeIfAbsent("running", any -> Running.begin(testClass.getRequiredTestClass()), Running.class);
    return parameter.getParameter().getType() == Desk.class ? running.desk() : running.application();
  }
}
