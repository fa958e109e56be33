package hausbau.server.store;

import jakarta.persistence.Id;
import jakarta.persistence.MappedSuperclass;

/** What a site has several of by name, of which at most one is in use. */
@MappedSuperclass
public abstract class NamedRow implements Row {

    @Id
    protected Long id;

    protected long siteId;
    protected String name;
    /** As JSON. */
    protected String words;
    /** At most one of a site's is. */
    protected boolean used;

    protected NamedRow() {}

    protected NamedRow(long id, long siteId, String name, String words) {
        this.id = id;
        this.siteId = siteId;
        this.name = name;
        this.words = words;
    }

    public void call(String newName) {
        name = newName;
    }

    public void use(boolean isUsed) {
        used = isUsed;
    }

    public String name() {
        return name;
    }

    public boolean isUsed() {
        return used;
    }

    @Override
    public Long getId() {
        return id;
    }
}
