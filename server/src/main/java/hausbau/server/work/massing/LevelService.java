package hausbau.server.work.massing;

import hausbau.core.massing.Level;
import hausbau.core.massing.SiteSettings;
import hausbau.core.massing.Solid;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.place.HandPlacement;
import hausbau.server.journal.Edit;
import hausbau.server.journal.Journal;
import hausbau.server.journal.Seen;
import hausbau.server.store.NotFound;
import hausbau.server.store.Stores;
import hausbau.server.store.massing.LevelRow;
import hausbau.server.store.massing.OpeningRow;
import hausbau.server.store.massing.RoomRow;
import hausbau.server.store.massing.SolidRow;
import hausbau.server.store.massing.StairRow;
import hausbau.server.work.site.SiteService;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.springframework.stereotype.Service;

/** The storeys of a site, each with what is on it. */
@Service
public class LevelService {

    private final Stores store;
    private final Journal journal;
    private final BuildingRows rows;

    public LevelService(Stores store, Journal journal, BuildingRows rows) {
        this.rows = rows;
        this.store = store;
        this.journal = journal;
    }

    /** The ground level and all others, from the lowest up. */
    public List<Level> all(long siteId, SiteSettings settings) {
        var ground = Level.ground(settings).named(store.sites().site(siteId).groundName());
        return Stream.concat(
                        Stream.of(ground),
                        store.massing().levels(siteId).stream().map(LevelRow::toLevel))
                .sorted(Comparator.comparingLong(Level::floor).thenComparing(Level::id))
                .toList();
    }

    public Level find(long siteId, long level, SiteSettings settings) {
        return all(siteId, settings).stream()
                .filter(l -> l.id() == level)
                .findFirst()
                .orElseThrow(() -> new NotFound("The site has no level " + level + "."));
    }

    /** Makes a level from its id and the ones there are. */
    public interface LevelMaker {
        Level make(long id, List<Level> standing);
    }

    public Level add(long siteId, Seen seen, LevelMaker maker) {
        return edit(siteId, seen, edit -> {
            var settings = edit.before().settings();
            var made = checked(maker.make(store.nextId(), all(siteId, settings)), settings);
            edit.name("Add level “" + made.name() + "”");
            edit.add(new LevelRow(siteId, made));
            return made;
        });
    }

    private static Level checked(Level level, SiteSettings settings) {
        return new Level(level.id(), SiteService.checkedName(level.name()), level.floor(), level.storey())
                .checked(settings.unit());
    }

    /** Changes a level; what is on it goes up and down with its floor. Of the ground level only the name can be changed. */
    public Level change(long siteId, long level, Seen seen, UnaryOperator<Level> change) {
        return edit(siteId, seen, edit -> level == 0 ? nameGround(edit, change) : changed(edit, level, change));
    }

    private Level nameGround(Edit edit, UnaryOperator<Level> change) {
        var settings = edit.before().settings();
        var was = find(edit.site().getId(), 0, settings);
        var is = checked(change.apply(was), settings);
        if (!is.equals(was.named(is.name()))) {
            throw new Refused(
                    is.floor() != was.floor() ? "floorMm" : "storeyMm",
                    "The ground level stays at height 0. Its storey is the site's.");
        }
        edit.name("Change level “" + is.name() + "”");
        edit.change(edit.site(), s -> s.nameGround(is.name()));
        return is;
    }

    /** Puts a level above the one right over it, or under the one right below it. */
    public Level move(long siteId, long level, Seen seen, boolean up) {
        return edit(siteId, seen, edit -> {
            var all = all(siteId, edit.before().settings());
            var own = find(siteId, level, edit.before().settings());
            var other = all.indexOf(own) + (up ? 1 : -1);
            if (other < 0 || other >= all.size()) {
                throw new Refused("level", "“" + own.name() + "” is the " + (up ? "highest" : "lowest") + " level.");
            }
            var pair = up ? Level.swapped(own, all.get(other)) : Level.swapped(all.get(other), own);
            move(edit, pair);
            edit.name("Move level “" + own.name() + "”");
            return pair.stream().filter(l -> l.id() == level).findFirst().orElseThrow();
        });
    }

    private Level changed(Edit edit, long level, UnaryOperator<Level> change) {
        var is = checked(
                change.apply(levelRow(edit.site().getId(), level).toLevel()),
                edit.before().settings());
        move(edit, List.of(is));
        edit.name("Change level “" + is.name() + "”");
        return is;
    }

    /** Puts levels where they are now, with all that is on them. */
    private void move(Edit edit, List<Level> levels) {
        var before = edit.before().decisions().massing().building();
        var after = before;
        for (var is : levels) {
            var was = levelRow(edit.site().getId(), is.id()).toLevel();
            after = after.raising(
                    was, is.floor() - was.floor(), edit.before().settings().unit());
        }
        rows.store(edit, before, after);
        levels.forEach(is -> follow(edit, is));
    }

    /** Stores a level, and moves what hands set down on it along; rooms, stairs and solids are stored by whoever calls. */
    void follow(Edit edit, Level is) {
        var row = levelRow(edit.site().getId(), is.id());
        var was = row.toLevel();
        edit.change(row, r -> r.set(is));
        if (is.floor() != was.floor()) {
            hands(edit, was)
                    .forEach(h -> edit.put(new HandPlacement(
                            h.id(),
                            h.kind(),
                            h.stance()
                                    .movedBy(new Vec(0, 0, is.floor() - was.floor()))
                                    .withinReach(),
                            h.free())));
        }
    }

    /** Removes a level with the rooms, stairs and solids on it; what hands set down stays. */
    public void remove(long siteId, long level, Seen seen) {
        edit(siteId, seen, edit -> {
            var row = levelRow(siteId, level);
            edit.name("Remove level “" + row.toLevel().name() + "”");
            var openings = openingsByRoom(siteId);
            var before = edit.before().decisions().massing().building();
            var after = before;
            for (var room : store.massing().rooms(siteId)) {
                if (room.toRoom().level() == level) {
                    openings.getOrDefault(room.getId(), List.of()).forEach(edit::remove);
                    edit.remove(room);
                    after = after.withoutRoom(room.getId());
                }
            }
            rows.storeMouldings(edit, before, after);
            store.massing().stairs(siteId).stream()
                    .filter(s -> s.toStair().level() == level)
                    .forEach(edit::remove);
            store.massing().solids(siteId).stream()
                    .filter(s -> s.toSolid().level() == level)
                    .forEach(edit::remove);
            edit.remove(row);
            return null;
        });
    }

    /** Copies a level with its rooms, openings, stairs, solids and what hands set down on it, to stand on top of it. */
    public Level copy(long siteId, long level, Seen seen) {
        return edit(siteId, seen, edit -> {
            var settings = edit.before().settings();
            var all = all(siteId, settings);
            var from = find(siteId, level, settings);
            var above = all.stream()
                    .filter(l -> l.floor() >= from.top()
                            && l.floor() < from.top() + from.storey().um())
                    .findFirst();
            if (above.isPresent()) {
                throw new Refused(
                        "level",
                        "“" + above.get().name()
                                + "” lies there already. Copy the topmost level, or move that one first.");
            }
            var copy = checked(new Level(store.nextId(), freshName(all), from.top(), from.storey()), settings);
            edit.name("Copy level “" + from.name() + "”");
            edit.add(new LevelRow(siteId, copy));
            var names = edit.before().decisions().massing();
            var building = names.building();
            var openings = openingsByRoom(siteId);
            for (var row : store.massing().rooms(siteId)) {
                var room = row.toRoom();
                if (room.level() == level) {
                    var made = room.copied(store.nextId(), names.freshName(room.name()))
                            .raised(copy.id(), from.storey().um());
                    names = names.next(
                            settings,
                            names.building()
                                    .withRooms(Stream.concat(names.rooms().stream(), Stream.of(made))
                                            .toList()));
                    edit.add(new RoomRow(siteId, made));
                    building = building.alike(made.id(), room.id(), store::nextId);
                    openings.getOrDefault(room.id(), List.of()).stream()
                            .map(OpeningRow::toOpening)
                            .forEach(o -> edit.add(new OpeningRow(siteId, o.in(store.nextId(), made.id(), o.at()))));
                }
            }
            rows.storeMouldings(edit, edit.before().decisions().massing().building(), building);
            var up = from.storey().um();
            store.massing().stairs(siteId).stream()
                    .map(StairRow::toStair)
                    .filter(s -> s.level() == level)
                    .forEach(s -> edit.add(new StairRow(siteId, s.raised(store.nextId(), copy.id(), up))));
            store.massing().solids(siteId).stream()
                    .map(SolidRow::toSolid)
                    .filter(s -> s.level() == level)
                    .forEach(s -> edit.add(new SolidRow(
                            siteId, new Solid(store.nextId(), s.name(), copy.id(), s.box()).raised(up, copy.id()))));
            hands(edit, from)
                    .forEach(h -> edit.put(new HandPlacement(
                            store.nextId(),
                            h.kind(),
                            h.stance()
                                    .movedBy(new Vec(0, 0, from.storey().um()))
                                    .withinReach(),
                            h.free())));
            return copy;
        });
    }

    private Map<Long, List<OpeningRow>> openingsByRoom(long siteId) {
        return store.massing().openings(siteId).stream()
                .collect(Collectors.groupingBy(o -> o.toOpening().roomId()));
    }

    private static String freshName(List<Level> levels) {
        var taken = levels.stream().map(Level::name).collect(Collectors.toSet());
        return IntStream.iterate(levels.size(), n -> n + 1)
                .mapToObj(n -> "Level " + n)
                .filter(n -> !taken.contains(n))
                .findFirst()
                .orElseThrow();
    }

    private static List<HandPlacement> hands(Edit edit, Level level) {
        return edit.before()
                .decisions()
                .hands()
                .all()
                .filter(h ->
                        h.stance().at().z() >= level.floor() && h.stance().at().z() < level.top())
                .toList();
    }

    private LevelRow levelRow(long siteId, long level) {
        if (level == 0) {
            throw new Refused("level", "The ground level stays as it is. Its storey is the site's.");
        }
        return Stores.find(store.massing().levels(siteId), level, "level");
    }

    private <T> T edit(long siteId, Seen seen, Function<Edit, T> work) {
        return journal.edit(siteId, seen, work);
    }
}
