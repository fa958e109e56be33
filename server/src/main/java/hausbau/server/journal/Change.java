package hausbau.server.journal;

import hausbau.server.store.Aggregate;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/**
 * What an edit did to one row.
 *
 * @param before the row as it was; null in JSON where it did not exist
 * @param after  the row as it became; null in JSON where it was removed
 */
record Change(Aggregate table, long id, JsonNode before, JsonNode after) {

    /** Both as one; nothing where the row is as it was before, or is neither before nor after. */
    @Nullable
    Change followedBy(Change later) {
        return before.equals(later.after()) ? null : new Change(table, id, before, later.after());
    }

    Change reversed() {
        return new Change(table, id, after, before);
    }
}
