package hausbau.server.store;

import hausbau.core.measure.Length;
import hausbau.core.shape.Swatch;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.core.JsonToken;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.KeyDeserializer;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.module.SimpleModule;

/** How values of core are written in JSON, kept or sent: lengths as millimetres, exactly; swatches by their codes. */
public final class CoreJson {

    private CoreJson() {}

    public static SimpleModule module() {
        var module = new SimpleModule("core");
        module.addSerializer(Length.class, new ValueSerializer<>() {
            @Override
            public void serialize(Length length, JsonGenerator out, SerializationContext context) {
                out.writeNumber(length.toMillimetres());
            }
        });
        module.addDeserializer(Length.class, new ValueDeserializer<>() {
            @Override
            public Length deserialize(JsonParser in, DeserializationContext context) {
                if (in.currentToken() != JsonToken.VALUE_NUMBER_INT
                        && in.currentToken() != JsonToken.VALUE_NUMBER_FLOAT) {
                    return (Length) context.handleUnexpectedToken(Length.class, in);
                }
                try {
                    return Length.ofMillimetres(in.getDecimalValue());
                } catch (IllegalArgumentException e) {
                    return context.reportInputMismatch(Length.class, "%s", e.getMessage());
                }
            }
        });
        module.addSerializer(Swatch.class, new ValueSerializer<>() {
            @Override
            public void serialize(Swatch swatch, JsonGenerator out, SerializationContext context) {
                out.writeString(swatch.name());
            }
        });
        module.addKeySerializer(Swatch.class, new ValueSerializer<>() {
            @Override
            public void serialize(Swatch swatch, JsonGenerator out, SerializationContext context) {
                out.writeName(swatch.name());
            }
        });
        module.addDeserializer(Swatch.class, new ValueDeserializer<>() {
            @Override
            public Swatch deserialize(JsonParser in, DeserializationContext context) {
                return in.currentToken() == JsonToken.VALUE_STRING
                        ? swatch(in.getString(), context)
                        : (Swatch) context.handleUnexpectedToken(Swatch.class, in);
            }
        });
        module.addKeyDeserializer(Swatch.class, new KeyDeserializer() {
            @Override
            public Object deserializeKey(String key, DeserializationContext context) {
                return swatch(key, context);
            }
        });
        return module;
    }

    private static Swatch swatch(String code, DeserializationContext context) {
        try {
            return Swatch.valueOf(code);
        } catch (IllegalArgumentException e) {
            return context.reportInputMismatch(Swatch.class, "a material’s code is such as PLASTER, OWN1 or SHARED2");
        }
    }
}
