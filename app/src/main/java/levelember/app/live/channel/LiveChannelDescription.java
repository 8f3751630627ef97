package levelember.app.live.channel;

import com.fasterxml.jackson.annotation.JsonTypeName;
import io.swagger.v3.core.converter.AnnotatedType;
import io.swagger.v3.core.converter.ModelConverters;
import io.swagger.v3.oas.models.Components;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import levelember.app.live.message.FrameHeader;
import levelember.app.live.message.PageMessage;
import levelember.app.live.message.ScopesHeader;
import levelember.app.live.message.ServerMessage;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.JsonNode;

/**
 * Puts the messages of the live channel into the interface's description, which knows nothing of
 * WebSockets: {@code ServerMessage} and {@code PageMessage} as one of their records, and the
 * headers of frames and scopes.
 */
@Configuration
class LiveChannelDescription {
  @Bean
  OpenApiCustomizer liveMessages() {
    return api -> {
      Components to = api.getComponents();
      union(to, ServerMessage.class);
      union(to, PageMessage.class);
      add(to, FrameHeader.class);
      add(to, ScopesHeader.class);
    };
  }

  private static void union(Components to, Class<?> messages) {
    List<Schema> each = new ArrayList<>();
    for (Class<?> message : messages.getPermittedSubclasses()) {
      add(to, message);
      each.add(new JsonSchema().$ref("#/components/schemas/" + name(message)));
    }
    to.addSchemas(messages.getSimpleName(), new JsonSchema().oneOf(each));
  }

  private static String name(Class<?> record) {
    Class<?> in = record.getDeclaringClass();
    return in == null ? record.getSimpleName() : "Live" + record.getSimpleName();
  }

  private static Schema<?> schema(Type type) {
    if (type instanceof ParameterizedType map && map.getRawType() == Map.class) {
      return new JsonSchema()
          .types(Set.of("object"))
          .additionalProperties(schema(map.getActualTypeArguments()[1]));
    }
    if (type == JsonNode.class) {
      return new JsonSchema()
          .types(Set.of("array"))
          .items(new JsonSchema().$ref("#/components/schemas/Operation"));
    }
    return ModelConverters.getInstance(true)
        .resolveAsResolvedSchema(new AnnotatedType(type).resolveAsRef(false))
        .schema;
  }

  private static void add(Components to, Class<?> record) {
    Schema<?> schema = new JsonSchema().types(Set.of("object"));
    Map<String, Schema> properties = new LinkedHashMap<>();
    JsonTypeName type = record.getAnnotation(JsonTypeName.class);
    if (type != null) {
      Schema<Object> word = new JsonSchema().types(Set.of("string"));
      word.setEnum(List.of(type.value()));
      properties.put("type", word);
    }
    for (RecordComponent field : record.getRecordComponents()) {
      Schema<?> of = schema(field.getGenericType());
      if (field.getAnnotatedType().isAnnotationPresent(Nullable.class)) {
        of.addType("null");
      }
      properties.put(field.getName(), of);
    }
    schema.setProperties(properties);
    schema.setRequired(new ArrayList<>(properties.keySet()));
    to.addSchemas(name(record), schema);
  }
}
