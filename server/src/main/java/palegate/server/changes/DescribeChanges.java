package palegate.server.changes;

import com.fasterxml.jackson.core.JsonProcessingException;
import io.swagger.v3.core.util.Json31;
import io.swagger.v3.oas.models.media.Discriminator;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.Schema;
import java.util.Map;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.annotation.Order;
import palegate.core.changes.ChangeJson;
import tools.jackson.databind.node.ObjectNode;

/** The shapes of changes in the OpenAPI description: those that the core reads them by. */
@Configuration
class DescribeChanges {
  private static final String COMPONENTS = "#/components/schemas/";

  /** After what may be missing has been worked out for everything else: these say it themselves. */
  @Bean
  @Order(1)
  @SuppressWarnings("rawtypes")
  OpenApiCustomizer shapesOfChanges() {
    return api -> {
      Map<String, Schema> schemas = api.getComponents().getSchemas();
      schemas.remove("JsonNode");
      ChangeJson.schemas(name -> COMPONENTS + name, false).forEach((name, schema) -> schemas.put(name, parsed(schema)));
      Schema<?> change = new JsonSchema();
      Discriminator discriminator = new Discriminator().propertyName("kind");
      ChangeJson.schemaNames().forEach((kind, name) -> {
        change.addOneOfItem(new JsonSchema().$ref(COMPONENTS + name));
        discriminator.mapping(kind, COMPONENTS + name);
      });
      schemas.put("Change", change.discriminator(discriminator));
    };
  }

  private static Schema<?> parsed(ObjectNode schema) {
    try {
      return Json31.mapper().readValue(schema.toString(), JsonSchema.class);
    } catch (JsonProcessingException wrong) {
      throw new IllegalStateException("The core describes changes by JSON Schemas.", wrong);
    }
  }
}
