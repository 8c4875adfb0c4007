package palegate.server.testkit;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.extension.AfterEachCallback;
import org.junit.jupiter.api.extension.BeforeEachCallback;
import org.junit.jupiter.api.extension.ExtensionContext;
import org.junit.jupiter.api.extension.ParameterContext;
import org.junit.jupiter.api.extension.ParameterResolver;
import palegate.server.store.StructureStore;

/**
 * Gives a test class, and the classes nested in it, an application of its own with the demo in it, or the one that all share which only read it;
 * drafts are discarded between tests.
 */
public final class InDemo implements BeforeEachCallback, AfterEachCallback, ParameterResolver {
  private static final ExtensionContext.Namespace HERE = ExtensionContext.Namespace.create(InDemo.class);

  /** @param head the newest change when it began */
  private record Running(TestDatabase database, TestApplication application, long head) implements ExtensionContext.Store.CloseableResource {
    static Running begin(Class<?> tests) {
      TestDatabase database = TestDatabase.startFor(tests);
      TestApplication application = TestApplication.start(database);
      return new Running(database, application, application.bean(StructureStore.class).head());
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

  /** Others read the same demo after this. */
  @Override
  public void afterEach(ExtensionContext context) {
    Running running = running(context);
    if (outermost(context).getRequiredTestClass().isAnnotationPresent(ReadsTheDemo.class)) {
      assertThat(running.application().bean(StructureStore.class).head()).as("%s only reads the demo", context.getDisplayName()).isEqualTo(running.head());
    }
  }

  @Override
  public boolean supportsParameter(ParameterContext parameter, ExtensionContext context) {
    return parameter.getParameter().getType() == TestApplication.class;
  }

  @Override
  public Object resolveParameter(ParameterContext parameter, ExtensionContext context) {
    return application(context);
  }

  private static TestApplication application(ExtensionContext context) {
    return running(context).application();
  }

  /** Kept with the outermost test class, so that it begins once and ends with it; or for all. */
  private static Running running(ExtensionContext context) {
    ExtensionContext outermost = outermost(context);
    Class<?> tests = outermost.getRequiredTestClass();
    return tests.isAnnotationPresent(ReadsTheDemo.class)
        ? context.getRoot().getStore(HERE).getOrComputeIfAbsent("read", any -> Running.begin(ReadsTheDemo.class), Running.class)
        : outermost.getStore(HERE).getOrComputeIfAbsent("running", any -> Running.begin(tests), Running.class);
  }

  private static ExtensionContext outermost(ExtensionContext context) {
    ExtensionContext outermost = context;
    while (outermost.getParent().flatMap(ExtensionContext::getTestClass).isPresent()) {
      outermost = outermost.getParent().get();
    }
    return outermost;
  }
}
