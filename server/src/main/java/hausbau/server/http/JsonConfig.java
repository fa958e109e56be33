package hausbau.server.http;

import hausbau.core.measure.Length;
import io.swagger.v3.oas.models.media.NumberSchema;
import java.math.BigDecimal;
import org.springdoc.core.utils.SpringDocUtils;
import org.springframework.boot.jackson.autoconfigure.JsonMapperBuilderCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.cfg.CoercionAction;
import tools.jackson.databind.cfg.CoercionInputShape;
import tools.jackson.databind.module.SimpleModule;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.type.LogicalType;

/** Lengths in JSON are millimetres: decimal numbers with at most three places. */
@Configuration
class JsonConfig {

    static {
        SpringDocUtils.getConfig().replaceWithSchema(Length.class,
                new NumberSchema().description("Millimetres, at most three decimal places"));
    }

    @Bean
    JsonMapperBuilderCustomizer lengths() {
        var module = new SimpleModule("lengths");
        module.addSerializer(Length.class, new ValueSerializer<Length>() {
            @Override
            public void serialize(Length length, JsonGenerator out, SerializationContext context) {
                out.writeNumber(length.toMillimetres());
            }
        });
        module.addDeserializer(Length.class, new ValueDeserializer<Length>() {
            @Override
            public Length deserialize(JsonParser in, DeserializationContext context) {
                if (in.currentToken() != JsonToken.VALUE_NUMBER_INT && in.currentToken() != JsonToken.VALUE_NUMBER_FLOAT) {
                    return (Length) context.handleUnexpectedToken(Length.class, in);
                }
                return length(in.getDecimalValue(), context);
            }
        });
        module.addDeserializer(String.class, new StringDeserializer() {
            @Override
            public String deserialize(JsonParser in, DeserializationContext context) {
                var text = super.deserialize(in, context);
                return text != null && text.indexOf(0) >= 0 ? context.reportInputMismatch(String.class, "a text must not hold the character 0") : text;
            }
        });
        // A number or a truth value where a text belongs is a mistake, not a text.
        return builder -> builder.addModule(module).withCoercionConfig(LogicalType.Textual, config -> config
                .setCoercion(CoercionInputShape.Integer, CoercionAction.Fail)
                .setCoercion(CoercionInputShape.Float, CoercionAction.Fail)
                .setCoercion(CoercionInputShape.Boolean, CoercionAction.Fail));
    }

    private static Length length(BigDecimal millimetres, DeserializationContext context) {
        try {
            return Length.ofMillimetres(millimetres);
        } catch (IllegalArgumentException e) {
            return context.reportInputMismatch(Length.class, "%s", e.getMessage());
        }
    }
}
