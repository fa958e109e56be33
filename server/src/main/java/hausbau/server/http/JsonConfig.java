package hausbau.server.http;

import hausbau.core.measure.Length;
import hausbau.core.shape.Swatch;
import hausbau.server.store.CoreJson;
import io.swagger.v3.oas.models.media.NumberSchema;
import io.swagger.v3.oas.models.media.StringSchema;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.cfg.CoercionAction;
import tools.jackson.databind.cfg.CoercionInputShape;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.type.LogicalType;

/** Lengths in JSON are millimetres: decimal numbers with at most three places. */
@Configuration
class JsonConfig {

    static {
        SpringDocUtils.getConfig()
                .replaceWithSchema(
                        Length.class, new NumberSchema().description("Millimetres, at most three decimal places"));
        SpringDocUtils.getConfig()
                .replaceWithSchema(
                        Swatch.class,
                        new StringSchema()
                                .description(
                                        "The code of a material: one of the eight that a site begins with, such as PLASTER; one of its own, such as OWN7; a shared sheet, SHARED or SHARED_B; or a place on one, SHARED_B3"));
    }

    @Bean
    JsonMapperBuilderCustomizer values() {
        var module = new SimpleModule("texts");
        module.addDeserializer(String.class, new StringDeserializer() {
            @Override
            public String deserialize(JsonParser in, DeserializationContext context) {
                var text = super.deserialize(in, context);
                return text != null && text.indexOf(0) >= 0
                        ? context.reportInputMismatch(String.class, "a text must not hold the character 0")
                        : text;
            }
        });
        // A number or a truth value where a text belongs is a mistake, not a text.
        return builder -> builder.addModule(CoreJson.module())
                .addModule(module)
                .withCoercionConfig(LogicalType.Textual, config -> config.setCoercion(
                                CoercionInputShape.Integer, CoercionAction.Fail)
                        .setCoercion(CoercionInputShape.Float, CoercionAction.Fail)
                        .setCoercion(CoercionInputShape.Boolean, CoercionAction.Fail));
    }
}
