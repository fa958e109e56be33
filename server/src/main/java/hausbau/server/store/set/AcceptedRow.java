package hausbau.server.store.set;

import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A finding that a person accepts as it is. */
@Entity
@Table(name = "accepted")
public class AcceptedRow implements Row {

    @Id
    Long id;

    long siteId;
    String finding;
    /** What it was about when it was accepted: accepted no longer once that has changed. */
    long about;

    String reason;

    protected AcceptedRow() {}

    public AcceptedRow(long id, long siteId, String finding, long about, String reason) {
        this.id = id;
        this.siteId = siteId;
        this.finding = finding;
        set(about, reason);
    }

    public final void set(long newAbout, String newReason) {
        about = newAbout;
        reason = newReason;
    }

    public String finding() {
        return finding;
    }

    public long about() {
        return about;
    }

    public String reason() {
        return reason;
    }

    @Override
    public Long getId() {
        return id;
    }
}
