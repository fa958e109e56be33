package hausbau.server.journal;

import com.fasterxml.jackson.annotation.JsonAutoDetect.Visibility;
import com.fasterxml.jackson.annotation.PropertyAccessor;
import hausbau.core.massing.SiteSettings;
import hausbau.core.shape.Sheets;
import hausbau.server.store.Aggregate;
import hausbau.server.store.Row;
import hausbau.server.store.set.HandRow;
import java.util.List;
import java.util.stream.Stream;
import org.springframework.beans.BeanUtils;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.JsonNodeFactory;
import tools.jackson.databind.node.ObjectNode;

/** Rows as JSON, by their fields, for the journal. */
@Component
class Snapshots {

    /** How entries are written now. V6 carried over those of format 1; those of 2 are read as they are. */
    static final int FORMAT = 5;

    private static final List<String> SIDES = List.of("NORTH", "EAST", "SOUTH", "WEST");

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
        if (entry.format() < 2 || entry.format() > FORMAT) {
            throw new IllegalStateException(
                    "a journal entry of format " + entry.format() + " cannot be read by this version");
        }
        var changes = json.readValue(entry.changes(), new TypeReference<List<Change>>() {});
        if (entry.format() == 2) {
            changes.forEach(
                    c -> Stream.of(c.before(), c.after()).forEach(snapshot -> fromFormat2(c.table(), snapshot)));
        }
        if (entry.format() < 4) {
            changes.forEach(
                    c -> Stream.of(c.before(), c.after()).forEach(snapshot -> fromFormat3(c.table(), snapshot)));
        }
        return entry.format() < 5 ? changes.stream().map(Snapshots::fromFormat4).toList() : changes;
    }

    /** A material had a row only where something was told of it: where it had none, it was as usual. */
    private static Change fromFormat4(Change change) {
        if (change.table() != Aggregate.MATERIAL
                || change.before().isNull() == change.after().isNull()) {
            return change;
        }
        var told = change.before().isNull() ? change.after() : change.before();
        var usual =
                ((ObjectNode) told.deepCopy()).put("pixels", Sheets.USUAL_SIDE).put("name", "");
        return change.before().isNull()
                ? new Change(change.table(), change.id(), usual, told)
                : new Change(change.table(), change.id(), told, usual);
    }

    /** Openings kept their place from the left, and no site said where guards stand or how corners are built. */
    private static void fromFormat3(Aggregate table, JsonNode snapshot) {
        if (snapshot instanceof ObjectNode row) {
            switch (table) {
                case OPENING -> row.put("hold", "LEFT");
                case SITE ->
                    row.put("guardDropUm", SiteSettings.USUAL.guardDrop().um())
                            .put("groundName", "Ground")
                            .put("corners", SiteSettings.USUAL.corners().kind().name())
                            .put(
                                    "cornerLegUm",
                                    SiteSettings.USUAL.corners().leg().um());
                default -> {}
            }
        }
    }

    /** All rooms were plain rectangles, openings lay on a side, and there were no skins. */
    private static void fromFormat2(Aggregate table, JsonNode snapshot) {
        if (snapshot instanceof ObjectNode row) {
            switch (table) {
                case ROOM -> row.put("outline", "").put("levelId", 0).put("sky", false);
                case OPENING -> row.put("edge", SIDES.indexOf(row.path("side").asString()));
                case SITE -> row.put("skins", false);
                default -> {}
            }
        }
    }
}
