package hausbau.server.store.massing;

import hausbau.core.massing.Level;
import hausbau.core.measure.Length;
import hausbau.server.store.Row;
import jakarta.persistence.Entity;
import jakarta.persistence.Id;
import jakarta.persistence.Table;

/** A level besides the ground level. */
@Entity
@Table(name = "level")
public class LevelRow implements Row {

    @Id
    Long id;

    long siteId;
    String name;
    long floorUm;
    long storeyUm;

    protected LevelRow() {}

    public LevelRow(long siteId, Level level) {
        this.id = level.id();
        this.siteId = siteId;
        set(level);
    }

    @Override
    public Long getId() {
        return id;
    }

    public Level toLevel() {
        return new Level(id, name, floorUm, new Length(storeyUm));
    }

    public final void set(Level level) {
        name = level.name();
        floorUm = level.floor();
        storeyUm = level.storey().um();
    }
}
