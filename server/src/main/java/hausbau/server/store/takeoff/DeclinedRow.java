package hausbau.server.store.takeoff;

import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A proposal that a person will not have: these tags together are no piece. */
@Entity
@Table(name = "declined")
public class DeclinedRow implements Row {

    @Id
    Long id;

    long siteId;
    /** Ids, rising. */
    long[] tagIds;

    protected DeclinedRow() {}

    public DeclinedRow(long id, long siteId, long[] tagIds) {
        this.id = id;
        this.siteId = siteId;
        this.tagIds = tagIds;
    }

    public long[] tagIds() {
        return tagIds;
    }

    @Override
    public Long getId() {
        return id;
    }
}
