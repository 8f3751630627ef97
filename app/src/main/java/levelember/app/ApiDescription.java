package levelember.app;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.JsonNode;

/** The interface's own description (OpenAPI), from which the page's types are made. */
@Configuration
class ApiDescription {
  static {
    SpringDocUtils.getConfig().replaceWithSchema(JsonNode.class, new ObjectSchema());
  }

  @Bean
  OpenAPI description() {
    return new OpenAPI()
        .info(new Info().title("Level Ember").version("1"))
        .servers(List.of(new Server().url("/")));
  }

  /**
   * Answers always say every field, but for the value of an operation that removes; what may be
   * null is said of the live channel's messages alone.
   */
  @Bean
  OpenApiCustomizer everyFieldIsSaid() {
    return api -> {
      Map<String, Schema> schemas = api.getComponents().getSchemas();
      for (Schema<?> schema : schemas.values()) {
        Map<String, Schema> properties = schema.getProperties();
        if (properties != null) {
          schema.setRequired(new ArrayList<>(properties.keySet()));
          properties.computeIfPresent("operations", (_, _) -> patch());
        }
      }
      schemas.put("Operation", operation());
    };
  }

  /** JSON Patch (RFC 6902), as far as it is taken. */
  private static Schema<?> patch() {
    return new JsonSchema()
        .types(Set.of("array"))
        .items(new JsonSchema().$ref("#/components/schemas/Operation"));
  }

  private static Schema<?> operation() {
    Schema<Object> op = new JsonSchema().types(Set.of("string"));
    op.setEnum(List.of("add", "remove", "replace"));
    return new JsonSchema()
        .types(Set.of("object"))
        .addProperty("op", op)
        .addProperty("path", new JsonSchema().types(Set.of("string")))
        .addProperty("value", new JsonSchema())
        .required(List.of("op", "path"));
  }
}
