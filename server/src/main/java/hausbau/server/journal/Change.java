package hausbau.server.journal;

import hausbau.server.store.BoardItemRow;
import hausbau.server.store.BriefRow;
import hausbau.server.store.ListedRow;
import hausbau.server.store.MarkRow;
import hausbau.server.store.OmissionRow;
import hausbau.server.store.OpeningRow;
import hausbau.server.store.PieceRow;
import hausbau.server.store.PlacementRow;
import hausbau.server.store.PlaneRow;
import hausbau.server.store.RoomRow;
import hausbau.server.store.Row;
import hausbau.server.store.SiteRow;
import hausbau.server.store.TagRow;
import tools.jackson.databind.JsonNode;

/**
 * What an edit did to one row.
 *
 * @param before the row as it was; null in JSON where it did not exist
 * @param after  the row as it became; null in JSON where it was removed
 */
record Change(Table table, long id, JsonNode before, JsonNode after) {

    /** In the order in which rows must be added, since later ones refer to earlier ones. */
    enum Table {
        SITE(SiteRow.class), ROOM(RoomRow.class), OPENING(OpeningRow.class), PIECE(PieceRow.class), PLACEMENT(PlacementRow.class),
        OMISSION(OmissionRow.class), BRIEF(BriefRow.class), BOARD_ITEM(BoardItemRow.class), PLANE(PlaneRow.class), LISTED(ListedRow.class),
        TAG(TagRow.class), MARK(MarkRow.class);

        private final Class<? extends Row> type;

        Table(Class<? extends Row> type) {
            this.type = type;
        }

        Class<? extends Row> type() {
            return type;
        }

        static Table of(Row row) {
            for (var table : values()) {
                if (table.type.isInstance(row)) {
                    return table;
                }
            }
            throw new IllegalArgumentException(row.getClass() + " is not kept in the journal");
        }
    }

    /** Whether it concerns what is planned from, not what is built. */
    boolean isOfTheBoard() {
        return table.compareTo(Table.BRIEF) >= 0;
    }

    Change reversed() {
        return new Change(table, id, after, before);
    }
}
