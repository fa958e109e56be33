package hausbau.core.exchange;

import hausbau.core.exchange.Sheet.Layer;
import hausbau.core.massing.Drawing;
import hausbau.core.massing.Level;
import hausbau.core.massing.Massing;
import hausbau.core.massing.Opening;
import hausbau.core.massing.Room;
import hausbau.core.massing.Section;
import hausbau.core.massing.Side;
import hausbau.core.massing.Stair;
import hausbau.core.measure.Box;
import hausbau.core.measure.Length;
import hausbau.core.measure.Unit;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.TreeSet;
import java.util.function.LongFunction;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** Lays the plan of a level, or a section, out on a sheet. */
public final class Sheets {

    /** Between the outermost wall and the first chain, and between chains, mm. */
    private static final double OFF = 500;

    private Sheets() {}

    /** The plan of one level; only openings that are cut break the poché. */
    public static Sheet plan(Massing massing, Level level) {
        var sheet = new Sheet(level.name());
        var drawing = Drawing.of(massing);
        var at = level.floor() + Drawing.CUT.um();
        Predicate<Box> isCut = b -> b.min().z() < at && b.max().z() > at;
        sheet.area(
                Layer.CUT,
                Region.union(Stream.of(
                                drawing.walls(),
                                drawing.over(),
                                massing.solids().stream().map(s -> s.box()).toList())
                        .flatMap(List::stream)
                        .filter(isCut)
                        .filter(b -> b.min().x() < b.max().x()
                                && b.min().y() < b.max().y())
                        .map(Sheets::ground)
                        .toList()));
        var rooms =
                massing.rooms().stream().filter(r -> r.level() == level.id()).toList();
        rooms.stream().filter(r -> r.floor() != level.floor()).forEach(r -> outline(sheet, Layer.SEEN, r.region()));
        massing.rooms().stream()
                .filter(r -> r.floor() > at
                        && rooms.stream()
                                .anyMatch(o -> r.floor() < o.ceiling()
                                        && o.outline()
                                                .extent()
                                                .touches(r.outline().extent())))
                .forEach(r -> outline(sheet, Layer.ABOVE, r.region()));
        drawing.guards().stream()
                .filter(g -> g.box().min().z() >= level.floor() && g.box().min().z() < level.top())
                .forEach(g -> outline(sheet, Layer.SEEN, ground(g.box())));
        drawing.openings().stream().filter(g -> isCut.test(g.box())).forEach(g -> glass(sheet, g));
        massing.stairs().stream()
                .filter(s -> s.foot().z() >= level.floor() && s.foot().z() < level.top())
                .forEach(s -> stairs(sheet, s));
        names(sheet, massing.settings().unit(), rooms);
        chains(sheet, massing, drawing, rooms);
        return sheet;
    }

    private static Region ground(Box b) {
        return Region.of(new Rect(b.min().x(), b.min().y(), b.max().x(), b.max().y()));
    }

    /** Each loop once round. */
    private static void outline(Sheet sheet, Layer layer, Region region) {
        for (var loop : region.loops()) {
            var spots = new ArrayList<>(
                    loop.corners().stream().map(c -> Sheet.spot(c.x(), c.y())).toList());
            spots.add(spots.get(0));
            sheet.stroke(layer, spots.toArray(Sheet.Spot[]::new));
        }
    }

    private static void glass(Sheet sheet, Drawing.Gap gap) {
        var b = gap.box();
        outline(sheet, Layer.SEEN, ground(b));
        if (gap.opening().kind() == Opening.Kind.WINDOW) {
            var x = (b.min().x() + b.max().x()) / 2;
            var y = (b.min().y() + b.max().y()) / 2;
            var lies = gap.side() == Side.NORTH || gap.side() == Side.SOUTH;
            sheet.stroke(
                    Layer.SEEN,
                    Sheet.spot(lies ? b.min().x() : x, lies ? y : b.min().y()),
                    Sheet.spot(lies ? b.max().x() : x, lies ? y : b.max().y()));
        }
    }

    private static void stairs(Sheet sheet, Stair stair) {
        stair.treads().forEach(t -> outline(sheet, Layer.STAIRS, Region.of(t.ground())));
        sheet.stroke(
                Layer.STAIRS,
                stair.way().stream().map(v -> Sheet.spot(v.x(), v.y())).toArray(Sheet.Spot[]::new));
        var foot = stair.way().get(0);
        sheet.words(
                Layer.STAIRS,
                Sheet.spot(foot.x(), foot.y()),
                stair.risers() + " risers",
                Sheet.LETTERS,
                stair.up().quarters() % 2 == 1);
    }

    private static void names(Sheet sheet, Unit unit, List<Room> rooms) {
        for (var room : rooms) {
            var r = room.region().rects().stream()
                    .max(Comparator.comparingDouble(q -> (double) q.width() * q.depth()))
                    .orElseThrow();
            var middle = Sheet.spot((r.x0() + r.x1()) / 2, (r.y0() + r.y1()) / 2);
            sheet.words(Layer.NAMES, middle, room.name(), Sheet.NAMES, false);
            sheet.words(
                    Layer.NAMES,
                    new Sheet.Spot(middle.x(), middle.y() - 1.4 * Sheet.NAMES),
                    unit.format(room.width()) + " × " + unit.format(room.depth()) + ", "
                            + String.format(
                                    Locale.ROOT, "%.1f", room.region().area().doubleValue() / 1e12) + " m²",
                    Sheet.LETTERS,
                    false);
        }
    }

    /** One chain west of everything, one south of it: where walls begin and end. */
    private static void chains(Sheet sheet, Massing massing, Drawing drawing, List<Room> rooms) {
        if (rooms.isEmpty()) {
            return;
        }
        var x = new TreeSet<Long>();
        var y = new TreeSet<Long>();
        rooms.forEach(r -> r.region().rects().forEach(q -> {
            x.addAll(List.of(q.x0(), q.x1()));
            y.addAll(List.of(q.y0(), q.y1()));
        }));
        var wall = massing.settings().wall().um();
        var words = written(massing.settings().unit());
        sheet.chain(List.copyOf(x), (y.first() - wall) / 1000.0 - OFF, false, words);
        sheet.chain(List.of(x.first(), x.last()), (y.first() - wall) / 1000.0 - 2 * OFF, false, words);
        sheet.chain(List.copyOf(y), (x.first() - wall) / 1000.0 - OFF, true, words);
        sheet.chain(List.of(y.first(), y.last()), (x.first() - wall) / 1000.0 - 2 * OFF, true, words);
    }

    private static LongFunction<String> written(Unit unit) {
        return um -> unit.format(new Length(um));
    }

    /** A section with the heights of the levels. */
    public static Sheet section(Section section, List<Level> levels, Unit unit) {
        var sheet = new Sheet("Section");
        section.beyond().forEach(face -> outline(sheet, Layer.SEEN, face.seen()));
        sheet.area(Layer.CUT, section.cut());
        for (var v : section.rooms()) {
            var r = v.cut();
            var middle = Sheet.spot((r.x0() + r.x1()) / 2, (r.y0() + r.y1()) / 2);
            sheet.words(Layer.NAMES, middle, v.room().name(), Sheet.NAMES, false);
            sheet.words(
                    Layer.NAMES,
                    new Sheet.Spot(middle.x(), middle.y() - 1.4 * Sheet.NAMES),
                    unit.format(v.room().height()) + " high",
                    Sheet.LETTERS,
                    false);
        }
        var e = section.extent();
        for (var level : levels) {
            if (level.floor() >= e.y0() && level.floor() <= e.y1()) {
                sheet.stroke(
                        Layer.DIMENSIONS,
                        new Sheet.Spot(e.x1() / 1000.0 + 200, level.floor() / 1000.0),
                        new Sheet.Spot(e.x1() / 1000.0 + 900, level.floor() / 1000.0));
                sheet.words(
                        Layer.DIMENSIONS,
                        new Sheet.Spot(e.x1() / 1000.0 + 900, level.floor() / 1000.0 + Sheet.LETTERS),
                        level.name() + " " + unit.format(new Length(level.floor())),
                        Sheet.LETTERS,
                        false);
            }
        }
        var words = written(unit);
        sheet.chain(section.heights(), e.x0() / 1000.0 - OFF, true, words);
        sheet.chain(section.widths(Long.MIN_VALUE, Long.MAX_VALUE), e.y0() / 1000.0 - OFF, false, words);
        return sheet;
    }
}
