package palegate.server.shell;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.customizers.PropertyCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The OpenAPI description: every property is there unless the code says that it may be null. */
@Configuration
class Description {
  private static final String MAY_BE_MISSING = "x-may-be-missing";

  @Bean
  OpenAPI titlePage() {
    return new OpenAPI().info(new Info().title("Pale Gate").version("0.1")
        .description("Who can do what with which documents, why, and what would change if. Errors are problem documents (RFC 9457)."));
  }

  @Bean
  PropertyCustomizer nullableOnes() {
    return (property, type) -> {
      if (type.getCtxAnnotations() != null && Arrays.stream(type.getCtxAnnotations()).anyMatch(found -> found.annotationType() == MayBeMissing.class)) {
        property.addExtension(MAY_BE_MISSING, true);
      }
      return property;
    };
  }

  @Bean
  @SuppressWarnings("rawtypes")
  OpenApiCustomizer plainSchemas() {
    return api -> {
      api.getComponents().getSchemas().values().forEach(Description::require);
    };
  }

  @SuppressWarnings({"rawtypes", "unchecked"})
  private static void require(Schema schema) {
    Map<String, Schema> properties = schema.getProperties();
    // What takes nothing more than it names says by itself what it needs.
    if (properties == null || Boolean.FALSE.equals(schema.getAdditionalProperties())) {
      return;
    }
    List<String> required = new ArrayList<>();
    properties.forEach((name, property) -> {
      if (property.getExtensions() == null || property.getExtensions().remove(MAY_BE_MISSING) == null) {
        required.add(name);
      }
      if (property.getItems() != null && property.getItems().getExtensions() != null) {
        property.getItems().getExtensions().remove(MAY_BE_MISSING);
      }
    });
    schema.setRequired(required);
  }
}
