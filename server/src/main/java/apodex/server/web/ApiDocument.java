package apodex.server.web;

import apodex.intake.Correction;
import apodex.session.Row;
import apodex.session.SessionEdit;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import jakarta.annotation.Nullable;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springdoc.core.customizers.PropertyCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/**
 * The OpenAPI document, from which the front end's types are made. Records always send all their fields, so every
 * field is required; those marked {@code @Nullable} may be null.
 */
@Configuration
class ApiDocument {
    private static final String NULLABLE = "x-nullable";
    /** What is only ever sent to the server: what may be null may be left out. */
    private static final Set<String> REQUESTS = Set.of(
            "HandoffChange",
            "Settings",
            "RowByHand",
            "Section",
            "Point",
            "NewHandoff",
            "NewRun",
            "NewPickup",
            "SetSong",
            "Stretch",
            "AddRow",
            "RenameRow",
            "MoveRows",
            "NameStyle");
    /** Values of several kinds, told apart by their field {@code type}. */
    private static final List<Class<?>> KINDS = List.of(Row.class, SessionEdit.class, Correction.class);

    @Bean
    OpenAPI api() {
        return new OpenAPI()
                .info(new Info()
                        .title("Apodex")
                        .version("1")
                        .description(
                                "Sessions come in as recordings and leave as aligned, named files in one parcel."));
    }

    @Bean
    PropertyCustomizer markNullable() {
        return (property, type) -> {
            if (type.getCtxAnnotations() != null
                    && Arrays.stream(type.getCtxAnnotations())
                            .anyMatch(annotation -> annotation.annotationType() == Nullable.class)) {
                property.addExtension(NULLABLE, true);
            }
            return property;
        };
    }

    @Bean
    @SuppressWarnings("rawtypes")
    OpenApiCustomizer requireFields() {
        return api -> {
            api.setServers(null); // the port differs from start to start
            Map<String, Schema> schemas = api.getComponents().getSchemas();
            schemas.forEach((name, schema) -> require(schema, REQUESTS.contains(name)));
            KINDS.forEach(type -> mapKinds(schemas.get(type.getSimpleName()), type));
        };
    }

    /** Says which value of the discriminator stands for which schema. */
    private static void mapKinds(Schema<?> schema, Class<?> type) {
        for (JsonSubTypes.Type kind : type.getAnnotation(JsonSubTypes.class).value()) {
            schema.getDiscriminator()
                    .mapping(kind.name(), "#/components/schemas/" + kind.value().getSimpleName());
        }
    }

    @SuppressWarnings({"rawtypes", "unchecked"})
    private static void require(Schema schema, boolean request) {
        Map<String, Schema> properties = schema.getProperties();
        if (properties != null) {
            Set<String> required = new TreeSet<>(properties.keySet());
            required.removeIf(name -> request && isMarked(properties.get(name)));
            schema.setRequired(new ArrayList<>(required));
            properties.replaceAll((name, property) -> nullable(property) ? orNull(property) : property);
        }
        List<Schema> parts = schema.getAllOf();
        if (parts != null) {
            parts.forEach(part -> require(part, request));
        }
    }

    private static boolean isMarked(Schema<?> property) {
        return property.getExtensions() != null && property.getExtensions().containsKey(NULLABLE);
    }

    private static boolean nullable(Schema<?> property) {
        return property.getExtensions() != null && property.getExtensions().remove(NULLABLE) != null;
    }

    /** JSON Schema says "or null" with a second type, or for a reference with an alternative. */
    @SuppressWarnings({"rawtypes", "unchecked"})
    private static Schema orNull(Schema property) {
        if (property.get$ref() != null) {
            Schema alternatives = new Schema();
            Schema nothing = new Schema();
            nothing.addType("null");
            alternatives.setOneOf(List.of(new Schema().$ref(property.get$ref()), nothing));
            return alternatives;
        }
        if (property.getTypes() != null) {
            property.addType("null");
        } else {
            property.setNullable(true);
        }
        if (property.getEnum() != null) {
            property.getEnum().add(null);
        }
        return property;
    }
}
