package palegate.server.testkit;

import org.junit.jupiter.api.extension.BeforeEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;

/**
 * Gives a test class, and the classes nested in it, an application of its own with the demo in it, or the one that all share which only read it;
 * drafts are discarded between tests.
 */
public final class InDemo implements BeforeEachCallback, ParameterResolver {
  private static final ExtensionContext.Namespace HERE = ExtensionContext.Namespace.create(InDemo.class);

  private record Running(TestDatabase database, TestApplication application) implements ExtensionContext.Store.CloseableResource {
    static Running begin(Class<?> tests) {
      TestDatabase database = TestDatabase.startFor(tests);
      return new Running(database, TestApplication.start(database));
    }

    @Override
    public void close() {
      application.close();
      database.close();
    }
  }

  @Override
  public void beforeEach(ExtensionContext context) {
    TestApplication application = application(context);
    application.signedIn("wenna.carrow").delete("/api/draft");
    application.signedIn("teodor.brask").delete("/api/draft");
  }

  @Override
  public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
    return parameter.getParameter().getType() == TestApplication.class;
  }

  @Override
  public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
    return application(context);
  }

  /** Kept with the outermost test class, so that it begins once and ends with it. */
  private static TestApplication application(ExtensionContext context) {
    ExtensionContext outermost = context;
    while (outermost.getParent().flatMap(ExtensionContext::getTestClass).isPresent()) {
      outermost = outermost.getParent().get();
    }
    Class<?> tests = outermost.getRequiredTestClass();
    if (tests.isAnnotationPresent(ReadsTheDemo.class)) {
      return context.getRoot().getStore(HERE).getOrComputeIfAbsent("read", any -> Running.begin(ReadsTheDemo.class), Running.class).application();
    }
    return outermost.getStore(HERE).getOrComputeIfAbsent("running", any -> Running.begin(tests), Running.class).application();
  }
}
