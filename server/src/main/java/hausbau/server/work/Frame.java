package hausbau.server.work;

import hausbau.core.kit.Piece;
import hausbau.core.massing.Massing;
import java.util.Map;

/** What placements stand in: rooms, settings and kit, the pieces by id. */
record Frame(Massing massing, Map<Long, Piece> kit) {
}
