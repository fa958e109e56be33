package hausbau.core.exchange;

import hausbau.core.kit.Role;
import hausbau.core.massing.Drawing;
import hausbau.core.massing.Room;
import hausbau.core.measure.Box;
import hausbau.core.standing.StandingSet;
import java.util.ArrayList;
import java.util.List;

/** A site's plan as a small SVG picture: floors, cut walls, and what stands in them. */
public final class PlanPicture {

    private static final String INK = "#22303C";
    private static final String SHEET = "#FFFFFF";
    /** More than this many things are only a blur at this size. */
    private static final int MOST = 1500;

    private static final long EMPTY_M = 8;
    private static final long CUT = 1_000_000;

    private PlanPicture() {}

    /** @param width pixels, @param height pixels */
    public static String of(StandingSet set, int width, int height) {
        var massing = set.decisions().massing();
        // Cut above the floor of the first room: of a building of several storeys, the one that was begun with.
        var cut = massing.rooms().stream().findFirst().map(Room::floor).orElse(0L) + CUT;
        var drawing = Drawing.of(massing);
        var walls = drawing.walls().stream()
                .filter(w -> w.min().z() < cut && w.max().z() > cut)
                .toList();
        var things = things(set);
        var all = new ArrayList<>(walls);
        all.addAll(things);
        var extent =
                all.stream().reduce(Box::union).orElse(Box.of(0, 0, 0, EMPTY_M * 1_000_000, EMPTY_M * 1_000_000, 0));
        var scale = Math.min(
                (width - 16.0) / extent.size().x(),
                (height - 16.0) / extent.size().y());
        var svg =
                new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"" + width + "\" height=\"" + height
                        + "\" viewBox=\"0 0 " + width + " " + height + "\"><g transform=\"translate("
                        + number((width - extent.size().x() * scale) / 2) + " "
                        + number((height + extent.size().y() * scale) / 2) + ")\">");
        massing.rooms().stream()
                .filter(room -> room.floor() < cut && room.ceiling() > cut - 2 * CUT)
                .forEach(room -> room.region()
                        .rects()
                        .forEach(r -> rectangle(
                                svg, Box.of(r.x0(), r.y0(), 0, r.x1(), r.y1(), 0), extent, scale, SHEET, "none")));
        walls.forEach(wall -> rectangle(svg, wall, extent, scale, INK, "none"));
        drawing.openings().stream()
                .filter(gap ->
                        gap.box().min().z() < 3 * CUT + cut && gap.box().max().z() > cut - CUT)
                .forEach(gap -> rectangle(svg, gap.box(), extent, scale, SHEET, INK));
        things.forEach(thing -> rectangle(svg, thing, extent, scale, SHEET, INK));
        return svg.append("</g></svg>").toString();
    }

    private static List<Box> things(StandingSet set) {
        var boxes = new ArrayList<Box>();
        for (var chunk : set.chunks()) {
            for (var row = 0; row < chunk.size() && boxes.size() < MOST; row++) {
                var role = chunk.kind(row).role();
                if (!role.closesARun() && role != Role.FLOOR && role != Role.CEILING) {
                    boxes.add(chunk.box(row));
                }
            }
        }
        return boxes;
    }

    private static void rectangle(StringBuilder svg, Box box, Box extent, double scale, String fill, String stroke) {
        svg.append("<rect x=\"")
                .append(number((box.min().x() - extent.min().x()) * scale))
                .append("\" y=\"")
                .append(number(-(box.max().y() - extent.min().y()) * scale))
                .append("\" width=\"")
                .append(number(box.size().x() * scale))
                .append("\" height=\"")
                .append(number(box.size().y() * scale))
                .append("\" fill=\"")
                .append(fill)
                .append("\" stroke=\"")
                .append(stroke)
                .append("\" stroke-width=\"0.7\"/>");
    }

    private static String number(double value) {
        return String.valueOf(Math.round(value * 100) / 100.0);
    }
}
