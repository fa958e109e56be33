package hausbau.server.store.board;

import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A picture's own bytes, upright and without metadata, with a preview; never changed. */
@Entity
@Table(name = "media")
public class MediaRow {

    @Id
    Long id;

    long siteId;
    String type;
    int width;
    int height;
    byte[] original;
    byte[] preview;

    protected MediaRow() {}

    public MediaRow(long id, long siteId, String type, int width, int height, byte[] original, byte[] preview) {
        this.id = id;
        this.siteId = siteId;
        this.type = type;
        this.width = width;
        this.height = height;
        this.original = original;
        this.preview = preview;
    }

    public long id() {
        return id;
    }

    public long siteId() {
        return siteId;
    }

    public String type() {
        return type;
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    public byte[] original() {
        return original;
    }

    /** A JPEG of at most 512 pixels a side. */
    public byte[] preview() {
        return preview;
    }
}
