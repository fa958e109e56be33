package hausbau.server.work.massing;

import hausbau.core.massing.Level;
import hausbau.core.massing.SiteSettings;
import hausbau.core.massing.Solid;
import hausbau.core.massing.Stair;
import hausbau.core.measure.Length;
import hausbau.core.measure.Vec;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.store.Stores;
import hausbau.server.store.massing.SolidRow;
import hausbau.server.store.massing.StairRow;
import hausbau.server.work.site.SiteService;
import java.util.function.BiFunction;
import java.util.function.UnaryOperator;
import org.springframework.stereotype.Service;

/** Stairs between levels, and masses that stay. */
@Service
public class StairService {

    private final Stores store;
    private final Journal journal;
    private final LevelService levels;

    public StairService(Stores store, Journal journal, LevelService levels) {
        this.store = store;
        this.journal = journal;
        this.levels = levels;
    }

    /** Makes stairs from their id, the level they begin on, and the floor above that, µm over it. */
    public interface StairMaker {
        Stair make(long id, Level level, Length rise, SiteSettings settings);
    }

    /** Adds stairs that lead to the next floor above. */
    public Stair add(long siteId, Seen seen, long level, StairMaker maker) {
        return journal.edit(siteId, seen, edit -> {
            var settings = edit.before().settings();
            var on = levels.find(siteId, level, settings);
            var made = maker.make(store.nextId(), on, new Length(above(siteId, on, settings) - on.floor()), settings)
                    .checked(settings.unit());
            edit.name("Add stairs to “" + on.name() + "”");
            edit.add(new StairRow(siteId, made));
            return made;
        });
    }

    /** Adds stairs from a room to the next floor above, where the room has a place for them. */
    public Stair addUsual(long siteId, Seen seen, long roomId) {
        return journal.edit(siteId, seen, edit -> {
            var room =
                    Stores.find(store.massing().rooms(siteId), roomId, "room").toRoom();
            var settings = edit.before().settings();
            var on = levels.find(siteId, room.level(), settings);
            var made = edit.before()
                    .decisions()
                    .massing()
                    .usualStair(store.nextId(), room, new Length(above(siteId, on, settings) - room.floor()));
            edit.name("Add stairs to “" + room.name() + "”");
            edit.add(new StairRow(siteId, made));
            return made;
        });
    }

    /** The floor of the next level above, else where it would lie, µm. */
    private long above(long siteId, Level level, SiteSettings settings) {
        return levels.all(siteId, settings).stream()
                .mapToLong(Level::floor)
                .filter(f -> f > level.floor())
                .min()
                .orElse(level.top());
    }

    /** Adds a pier to a room. */
    public Solid addUsualSolid(long siteId, Seen seen, long roomId, String name) {
        return journal.edit(siteId, seen, edit -> {
            var room =
                    Stores.find(store.massing().rooms(siteId), roomId, "room").toRoom();
            var made = Solid.usual(
                    store.nextId(),
                    SiteService.checkedName(name),
                    room,
                    edit.before().settings().step());
            edit.name("Add “" + made.name() + "”");
            edit.add(new SolidRow(siteId, made));
            return made;
        });
    }

    public Stair change(long siteId, long stair, Seen seen, BiFunction<Stair, SiteSettings, Stair> change) {
        return journal.edit(siteId, seen, edit -> {
            var row = Stores.find(store.massing().stairs(siteId), stair, "stairs");
            var settings = edit.before().settings();
            var changed = change.apply(row.toStair(), settings).checked(settings.unit());
            edit.name("Change the stairs");
            edit.change(row, r -> r.set(changed));
            return changed;
        });
    }

    public void remove(long siteId, long stair, Seen seen) {
        journal.edit(siteId, seen, edit -> {
            edit.name("Remove the stairs");
            edit.remove(Stores.find(store.massing().stairs(siteId), stair, "stairs"));
            return null;
        });
    }

    /** Adds a solid over ground that a hand drew; as high as its storey leaves under the slab if no height is told. */
    public Solid addSolid(
            long siteId, Seen seen, long level, String name, Vec from, Vec to, UnaryOperator<Length> height) {
        return journal.edit(siteId, seen, edit -> {
            var settings = edit.before().settings();
            var on = levels.find(siteId, level, settings);
            var made = Solid.drawn(
                    store.nextId(),
                    SiteService.checkedName(name),
                    on,
                    from,
                    to,
                    height.apply(on.storey().minus(settings.wall())),
                    settings.step());
            edit.name("Add “" + made.name() + "”");
            edit.add(new SolidRow(siteId, made));
            return made;
        });
    }

    public Solid changeSolid(long siteId, long solid, Seen seen, UnaryOperator<Solid> change) {
        return journal.edit(siteId, seen, edit -> {
            var row = Stores.find(store.massing().solids(siteId), solid, "solid");
            var changed = change.apply(row.toSolid());
            var named =
                    new Solid(changed.id(), SiteService.checkedName(changed.name()), changed.level(), changed.box());
            edit.name("Change “" + named.name() + "”");
            edit.change(row, r -> r.set(named));
            return named;
        });
    }

    public void removeSolid(long siteId, long solid, Seen seen) {
        journal.edit(siteId, seen, edit -> {
            var row = Stores.find(store.massing().solids(siteId), solid, "solid");
            edit.name("Remove “" + row.toSolid().name() + "”");
            edit.remove(row);
            return null;
        });
    }
}
