package hausbau.server.journal;

import jakarta.persistence.Embeddable;
import jakarta.persistence.EmbeddedId;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;
import org.jspecify.annotations.Nullable;

/** One edit: its place in the site's journal, what it did in words, and the rows before and after it as JSON. */
@Entity
@Table(name = "journal")
public class JournalRow {

    @Embeddable
    public record Key(long siteId, long seq) {}

    @EmbeddedId
    Key key;

    String label;
    String changes;
    short format;
    String maker;
    /** The revision since which it is undone; absent while it is in force. */
    @Nullable
    Long undoneAt;

    protected JournalRow() {}

    public long seq() {
        return key.seq();
    }

    public String maker() {
        return maker;
    }

    /** @throws IllegalStateException if it is in force */
    long undoneAt() {
        if (undoneAt == null) {
            throw new IllegalStateException("the entry is in force");
        }
        return undoneAt;
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
