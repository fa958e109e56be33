package hausbau.server.store.kit;

import hausbau.core.kit.Pattern;
import hausbau.core.shape.Swatch;
import hausbau.server.store.NamedRow;
import jakarta.persistence.Entity;
import jakarta.persistence.Table;

/** How pieces of a site look at any size. */
@Entity
@Table(name = "pattern")
public class PatternRow extends NamedRow {

    protected PatternRow() {}

    public PatternRow(long id, long siteId, String name, Pattern pattern) {
        super(id, siteId, name, PatternWords.of(pattern).write());
    }

    public void set(Pattern pattern) {
        words = PatternWords.of(pattern).write();
    }

    /** Whether something of it is made of a swatch. */
    public boolean mentions(Swatch swatch) {
        return words.contains("\"" + swatch.name() + "\"");
    }

    public Pattern toPattern() {
        return PatternWords.read(words).toPattern();
    }
}
