package hausbau.server.standing;

import hausbau.core.kit.Kind;
import hausbau.core.kit.Kit;
import hausbau.core.kit.Piece;
import hausbau.core.massing.SiteSettings;
import hausbau.core.standing.Decisions;
import hausbau.core.standing.StandingSet;
import hausbau.server.store.NotFound;

/** A site at one revision: what was decided, what stands, and the codes of its pieces. It never changes. */
public record SiteState(long siteId, long revision, StandingSet set, Kit kit) {

    public Decisions decisions() {
        return set.decisions();
    }

    public SiteSettings settings() {
        return decisions().massing().settings();
    }

    /** @throws NotFound if there is no such piece */
    public Piece piece(long id) {
        return kit.piece(id).orElseThrow(() -> new NotFound("The site has no piece " + id + "."));
    }

    public long id(Kind kind) {
        return kit.id(kind).orElseThrow();
    }
}
