package levelember.app;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.ObjectSchema;
import io.swagger.v3.oas.models.media.Schema;
import io.swagger.v3.oas.models.servers.Server;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
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

  /** Answers always say every field; what may be null is not told apart. */
  @Bean
  OpenApiCustomizer everyFieldIsSaid() {
    return api -> {
      for (Schema<?> schema : api.getComponents().getSchemas().values()) {
        Map<String, ?> properties = schema.getProperties();
        if (properties != null) {
          schema.setRequired(new ArrayList<>(properties.keySet()));
        }
      }
    };
  }
}
