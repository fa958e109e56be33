package hausbau.server.journal;

import hausbau.server.store.Aggregate;
import tools.jackson.databind.JsonNode;

/**
 * What an edit did to one row.
 *
 * @param before the row as it was; null in JSON where it did not exist
 * @param after  the row as it became; null in JSON where it was removed
 */
record Change(Aggregate table, long id, JsonNode before, JsonNode after) {

    Change reversed() {
        return new Change(table, id, after, before);
    }
}
