package hausbau.server.journal;

import com.fasterxml.jackson.annotation.JsonAutoDetect.Visibility;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import hausbau.server.store.Row;
import java.util.List;
import org.springframework.beans.BeanUtils;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Rows as JSON, by their fields, for the journal. */
@Component
class Snapshots {

    // A field that a later version adds or drops must not make older entries unreadable.
    private final JsonMapper json = JsonMapper.builder()
            .changeDefaultVisibility(v -> v.withVisibility(PropertyAccessor.ALL, Visibility.NONE)
                    .withVisibility(PropertyAccessor.FIELD, Visibility.ANY)
                    .withVisibility(PropertyAccessor.CREATOR, Visibility.ANY))
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    JsonNode of(Row row) {
        return json.valueToTree(row);
    }

    <R extends Row> R toRow(JsonNode snapshot, Class<R> type) {
        var row = BeanUtils.instantiateClass(type);
        restore(snapshot, row);
        return row;
    }

    void restore(JsonNode snapshot, Row into) {
        json.readerForUpdating(into).readValue(snapshot);
    }

    String write(List<Change> changes) {
        return json.writeValueAsString(changes);
    }

    List<Change> read(String text) {
        return json.readValue(text, new TypeReference<List<Change>>() { });
    }
}
