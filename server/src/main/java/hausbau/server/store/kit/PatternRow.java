package hausbau.server.store.kit;

import hausbau.core.kit.Pattern;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** How pieces of a site look at any size. */
@Entity
@Table(name = "pattern")
public class PatternRow implements Row {

    @Id
    Long id;
    long siteId;
    String name;
    /** As JSON. */
    String words;
    /** At most one of a site's is. */
    boolean used;

    protected PatternRow() {
    }

    public PatternRow(long id, long siteId, String name, Pattern pattern) {
        this.id = id;
        this.siteId = siteId;
        this.name = name;
        set(pattern);
    }

    public final void set(Pattern pattern) {
        words = PatternWords.of(pattern).write();
    }

    public Pattern toPattern() {
        return PatternWords.read(words).toPattern();
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
