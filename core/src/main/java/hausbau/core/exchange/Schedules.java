package hausbau.core.exchange;

import static hausbau.core.exchange.Bill.mm;

import hausbau.core.massing.Headroom;
import hausbau.core.massing.Level;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Room;
import hausbau.core.massing.Stair;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;

/** What a building is made of, as comma-separated values, level by level from the lowest up. */
public final class Schedules {

    private final Massing massing;
    private final Map<Long, Level> levels;
    private final List<Room> rooms;

    /** @param levels of the site, from the lowest up */
    public Schedules(Massing massing, List<Level> levels) {
        this.massing = massing;
        this.levels = levels.stream().collect(Collectors.toMap(Level::id, Function.identity()));
        var order = levels.stream().map(Level::id).toList();
        rooms = massing.rooms().stream()
                .sorted(Comparator.comparing((Room r) -> order.indexOf(r.level()))
                        .thenComparing(Room::name))
                .toList();
    }

    private String level(Room room) {
        var level = levels.get(room.level());
        return level == null ? "" : level.name();
    }

    /** Clear area, perimeter, height and volume of every room, exactly. */
    public String rooms() {
        var csv = new Csv("level,room,area_m2,perimeter_mm,height_mm,volume_m3");
        for (var room : rooms) {
            var area = room.region().area();
            csv.line(
                    level(room),
                    room.name(),
                    decimal(area, 12),
                    decimal(room.region().perimeter(), 3),
                    mm(room.height().um()),
                    decimal(area.multiply(BigInteger.valueOf(room.height().um())), 18));
        }
        return csv.toString();
    }

    private static String decimal(BigInteger value, int places) {
        return new BigDecimal(value, places).stripTrailingZeros().toPlainString();
    }

    public String openings() {
        var csv = new Csv("level,room,wall,kind,from_left_mm,width_mm,height_mm,sill_mm,built");
        var misfits = new HashSet<Long>();
        massing.fit().misfits().forEach(m -> misfits.add(m.opening().id()));
        for (var room : rooms) {
            massing.openings().stream()
                    .filter(o -> o.roomId() == room.id())
                    .forEach(o -> csv.line(
                            level(room),
                            room.name(),
                            room.outline()
                                    .edge(o.edge())
                                    .map(e -> e.side().label())
                                    .orElse("none"),
                            o.kind().label(),
                            mm(o.at().um()),
                            mm(o.width().um()),
                            mm(o.height().um()),
                            mm(o.sill().um()),
                            misfits.contains(o.id()) ? "no" : "yes"));
        }
        return csv.toString();
    }

    /** Every flight of stairs and ramp, by the level it begins on. */
    public String stairs() {
        var csv = new Csv("level,shape,width_mm,rise_mm,risers,riser_mm,going_mm,length_mm,headroom_mm");
        massing.stairs().stream()
                .sorted(Comparator.comparingLong((Stair s) -> s.foot().z()).thenComparingLong(Stair::id))
                .forEach(s -> {
                    var level = levels.get(s.level());
                    var free = massing.headroom()
                            .least(s)
                            .map(Headroom.Tight::clear)
                            .orElse(Stair.HEADROOM);
                    csv.line(
                            level == null ? "" : level.name(),
                            s.shape().label(),
                            mm(s.width().um()),
                            mm(s.rise().um()),
                            s.risers(),
                            mm(s.rise().um() / s.risers()),
                            mm(s.going().um()),
                            mm(s.walk().um()),
                            (free.equals(Stair.HEADROOM) ? "at least " : "") + mm(free.um()));
                });
        return csv.toString();
    }

    public String runs() {
        var csv = new Csv("level,run,length_mm,height_mm,thickness_mm,openings");
        for (var room : rooms) {
            massing.walls(room, massing.settings().step())
                    .runs()
                    .forEach(run -> csv.line(
                            level(room),
                            run.name(),
                            mm(run.length().um()),
                            mm(run.height().um()),
                            mm(run.depth().um()),
                            run.panels().size()));
        }
        return csv.toString();
    }
}
