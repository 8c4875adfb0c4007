package palegate.server.shell;

import java.time.Duration;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.CacheControl;
import org.springframework.web.servlet.config.annotation.ResourceHandlerRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import org.springframework.web.servlet.resource.EncodedResourceResolver;

/**
 * Scripts, styles and fonts of the page. Their names say what is in them, so that browsers keep them for good; they are sent as the build has
 * compressed them. The page itself, which names them, is never kept.
 */
@Configuration
class Assets implements WebMvcConfigurer {
  private static final Duration KEPT = Duration.ofDays(365);

  @Override
  public void addResourceHandlers(ResourceHandlerRegistry registry) {
    // Private: what is sent along with one may be somebody's own cookie.
    registry.addResourceHandler("/assets/**").addResourceLocations("classpath:/META-INF/resources/assets/").setCacheControl(CacheControl.maxAge(KEPT).cachePrivate().immutable())
        .resourceChain(true).addResolver(new EncodedResourceResolver());
  }
}
