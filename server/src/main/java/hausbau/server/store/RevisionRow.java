package hausbau.server.store;

import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;

/** What a revision touched. */
@Entity
@Table(name = "revision")
public class RevisionRow {

    @Embeddable
    public record Key(long siteId, long revision) {
    }

    @EmbeddedId
    Key key;
    boolean rooms;
    boolean pieces;
    boolean board;
    long[] placements;

    protected RevisionRow() {
    }

    public boolean rooms() {
        return rooms;
    }

    public boolean pieces() {
        return pieces;
    }

    public boolean board() {
        return board;
    }

    public long[] placements() {
        return placements;
    }
}
