package hausbau.core.repeat;

import hausbau.core.measure.Box;
import hausbau.core.plane.Rect;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalLong;

/** What is taken already: what stood there, and copies laid so far, in the cells of a grid over the plan. */
final class Occupied {

    /** Tops this little apart are one surface, µm. */
    private static final long LEVEL_UM = 1000;

    private static final long LEAST_CELL_UM = 250_000;

    private final Scatter.Landing landing;
    private final Rect extent;
    private final long cell;
    private final int columns;
    private final int rows;
    private final List<List<Box>> cells = new ArrayList<>();

    Occupied(Scatter.Landing landing, Rect extent, List<Box> bodies) {
        this.landing = landing;
        this.extent = extent;
        var largest = bodies.stream()
                .mapToLong(b -> Math.max(b.size().x(), b.size().y()))
                .max()
                .orElse(0);
        cell = Math.max(Math.max(LEAST_CELL_UM, largest), Math.max(extent.width(), extent.depth()) / 1000);
        columns = (int) (extent.width() / cell) + 1;
        rows = (int) (extent.depth() / cell) + 1;
        for (var i = 0; i < columns * rows; i++) {
            cells.add(new ArrayList<>(0));
        }
        landing.around().forEach(this::put);
    }

    private int column(long x) {
        return (int) Math.max(0, Math.min(columns - 1, Math.floorDiv(x - extent.x0(), cell)));
    }

    private int row(long y) {
        return (int) Math.max(0, Math.min(rows - 1, Math.floorDiv(y - extent.y0(), cell)));
    }

    /** What lies outside the extent is put into the cells at its rim, where it is found as well. */
    private void put(Box box) {
        for (var r = row(box.min().y()); r <= row(box.max().y()); r++) {
            for (var c = column(box.min().x()); c <= column(box.max().x()); c++) {
                cells.get(r * columns + c).add(box);
            }
        }
    }

    private List<Box> at(long x, long y) {
        return cells.get(row(y) * columns + column(x));
    }

    /**
     * What a body over a place comes to lie on: as high under its middle as under its corners.
     *
     * @return nothing where there is no such surface
     */
    OptionalLong under(Box body, long z) {
        if (landing.lands() == Scatter.Lands.LEVEL) {
            return OptionalLong.of(z);
        }
        var x0 = body.min().x();
        var y0 = body.min().y();
        var x1 = body.max().x();
        var y1 = body.max().y();
        var top = top(Math.floorDiv(x0 + x1, 2), Math.floorDiv(y0 + y1, 2), z);
        for (var corner : new long[][] {{x0, y0}, {x1, y0}, {x1, y1}, {x0, y1}}) {
            if (Math.abs(top(corner[0], corner[1], z) - top) > LEVEL_UM) {
                return OptionalLong.empty();
            }
        }
        return landing.lands() == Scatter.Lands.TOPS && top <= z + LEVEL_UM
                ? OptionalLong.empty()
                : OptionalLong.of(top);
    }

    /** The highest top at a point that is within reach; the given height where there is none. */
    private long top(long x, long y, long z) {
        var top = z;
        for (var box : at(x, y)) {
            if (box.min().x() <= x
                    && x <= box.max().x()
                    && box.min().y() <= y
                    && y <= box.max().y()
                    && box.max().z() <= z + landing.reach().um()) {
                top = Math.max(top, box.max().z());
            }
        }
        return top;
    }

    /** Takes the place of a box, unless something is there. */
    boolean takes(Box box) {
        for (var r = row(box.min().y()); r <= row(box.max().y()); r++) {
            for (var c = column(box.min().x()); c <= column(box.max().x()); c++) {
                for (var other : cells.get(r * columns + c)) {
                    if (other.overlaps(box)) {
                        return false;
                    }
                }
            }
        }
        put(box);
        return true;
    }
}
