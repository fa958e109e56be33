package hausbau.server.store;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A place in the set that massing would fill, and that a hand has emptied. */
@Entity
@Table(name = "omission")
public class OmissionRow implements Row {

    @Id
    Long id;
    long siteId;
    String source;

    protected OmissionRow() {
    }

    public OmissionRow(long id, long siteId, String source) {
        this.id = id;
        this.siteId = siteId;
        this.source = source;
    }

    @Override
    public Long getId() {
        return id;
    }

    public String source() {
        return source;
    }
}
