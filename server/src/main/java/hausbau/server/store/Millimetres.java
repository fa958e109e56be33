package hausbau.server.store;

import hausbau.core.measure.Length;
import tools.jackson.core.JsonGenerator;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.SerializationContext;
import tools.jackson.databind.ValueDeserializer;
import tools.jackson.databind.ValueSerializer;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.module.SimpleModule;

/** What is kept as JSON: lengths in millimetres, exactly. */
public final class Millimetres {

    public static final JsonMapper JSON = JsonMapper.builder().addModule(new SimpleModule("millimetres").addSerializer(Length.class, new ValueSerializer<Length>() {
        @Override
        public void serialize(Length length, JsonGenerator out, SerializationContext context) {
            out.writeNumber(length.toMillimetres());
        }
    }).addDeserializer(Length.class, new ValueDeserializer<Length>() {
        @Override
        public Length deserialize(JsonParser in, DeserializationContext context) {
            return Length.ofMillimetres(in.getDecimalValue());
        }
    })).build();

    private Millimetres() {
    }
}
