package hausbau.server.journal;

import com.fasterxml.jackson.annotation.JsonAutoDetect.Visibility;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import hausbau.server.store.Row;
import hausbau.server.store.set.HandRow;
import java.util.List;
import org.springframework.beans.BeanUtils;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.JsonNodeFactory;

/** Rows as JSON, by their fields, for the journal. */
@Component
class Snapshots {

    /** How entries are written now; V6 carried over those written before. */
    static final int FORMAT = 2;

    // A field that a later version adds or drops must not make older entries unreadable.
    private final JsonMapper json = JsonMapper.builder()
            .changeDefaultVisibility(v -> v.withVisibility(PropertyAccessor.ALL, Visibility.NONE)
                    .withVisibility(PropertyAccessor.FIELD, Visibility.ANY)
                    .withVisibility(PropertyAccessor.CREATOR, Visibility.ANY))
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .build();

    static JsonNode nothing() {
        return JsonNodeFactory.instance.nullNode();
    }

    JsonNode of(Row row) {
        return json.valueToTree(row);
    }

    JsonNode of(HandRow row) {
        return json.valueToTree(row);
    }

    HandRow toHand(JsonNode snapshot) {
        return json.treeToValue(snapshot, HandRow.class);
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

    /** @throws IllegalStateException if a later version wrote it */
    List<Change> read(JournalRow entry) {
        if (entry.format() != FORMAT) {
            throw new IllegalStateException("a journal entry of format " + entry.format() + " cannot be read by this version");
        }
        return json.readValue(entry.changes(), new TypeReference<List<Change>>() { });
    }
}
