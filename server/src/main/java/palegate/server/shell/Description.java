package palegate.server.shell;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.Schema;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
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
      Map<String, Schema> schemas = api.getComponents().getSchemas();
      List.copyOf(schemas.values()).stream().filter(schema -> schema.getDiscriminator() != null)
          .forEach(parent -> nameKinds(parent, schemas));
      schemas.values().forEach(Description::require);
    };
  }

  /** Each kind says its own name, instead of referring back to what it is a kind of. */
  @SuppressWarnings({"rawtypes", "unchecked"})
  private static void nameKinds(Schema parent, Map<String, Schema> schemas) {
    parent.setProperties(null);
    parent.setRequired(null);
    parent.setType(null);
    parent.setTypes(null);
    parent.getDiscriminator().getMapping().forEach((kind, reference) -> {
      String name = reference.substring(reference.lastIndexOf('/') + 1);
      Schema known = schemas.get(name);
      Schema own = known.getAllOf() == null ? known : (Schema) known.getAllOf().get(known.getAllOf().size() - 1);
      Map<String, Schema> properties = new LinkedHashMap<>();
      properties.put(parent.getDiscriminator().getPropertyName(), new JsonSchema().typesItem("string")._enum(List.of(kind)));
      properties.putAll(own.getProperties());
      Schema flat = new JsonSchema().typesItem("object");
      flat.setProperties(properties);
      schemas.put(name, flat);
    });
  }

  @SuppressWarnings({"rawtypes", "unchecked"})
  private static void require(Schema schema) {
    Map<String, Schema> properties = schema.getProperties();
    if (properties == null) {
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
