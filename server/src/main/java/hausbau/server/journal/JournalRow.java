package hausbau.server.journal;

import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;

/** One edit: its place in the site's journal, what it did in words, and the rows before and after it as JSON. */
@Entity
@Table(name = "journal")
public class JournalRow {

    @Embeddable
    public record Key(long siteId, long seq) {
    }

    @EmbeddedId
    Key key;
    String label;
    String changes;
    short format;

    protected JournalRow() {
    }

    public String label() {
        return label;
    }

    public String changes() {
        return changes;
    }

    /** How the changes are written. */
    int format() {
        return format;
    }
}
