package palegate.server.testkit;

import java.lang.annotation.ElementType;
import java.lang.annotation.Retention;
import java.lang.annotation.RetentionPolicy;
import java.lang.annotation.Target;
import org.junit.jupiter.api.parallel.ResourceLock;

/**
 * Puts nothing in force and keeps nothing: classes of such tests share one application, one after the other, and none has to be started for each.
 * They may draft, as drafts are discarded between tests.
 */
@Target(ElementType.TYPE)
@Retention(RetentionPolicy.RUNTIME)
@ResourceLock("the demo that is only read")
public @interface ReadsTheDemo {}
