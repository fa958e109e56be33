package hausbau.core.repeat;

import hausbau.core.measure.Box;
import hausbau.core.measure.Chance;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.util.List;
import java.util.Optional;

/**
 * Over an area, in columns along X and rows along Y from its least corner. When the area grows there are more of them: pitch and
 * aisles keep their sizes.
 *
 * @param z         what the lowest copies stand on, µm
 * @param pitchX    from column to column; 0 for side by side
 * @param pitchY    from row to row; 0 for side by side
 * @param staggered whether every second row is shifted by half a pitch
 * @param columns   an aisle after every so many columns; 0 for none
 * @param aisleX    as wide as this, besides what the pitch leaves
 * @param stack     each place is stacked from 1 to so many high
 * @param gaps      chance of a place to stay empty, percent
 */
public record Field(
        Region area,
        long z,
        Length pitchX,
        Length pitchY,
        boolean staggered,
        int columns,
        Length aisleX,
        int rows,
        Length aisleY,
        int stack,
        int gaps,
        long seed)
        implements Rule {

    private static final int MOST_HIGH = 100;
    private static final int KEY_BITS = 20;

    public Field {
        if (area.isEmpty()) {
            throw new Refused("areaMm", "A field has an area.");
        }
        if (stack < 1 || stack > MOST_HIGH) {
            throw new Refused("countHigh", "A field is stacked from 1 to " + MOST_HIGH + " high.");
        }
        if (gaps < 0 || gaps > 100) {
            throw new Refused("gaps", "The chance of a gap is from 0 to 100 %.");
        }
    }

    /** How many columns and rows of a body there are; what is staggered has one fewer in every second row. */
    public record Grid(int columns, int rows) {

        private static final int MOST = 2_000;

        public Grid {
            if (columns < 1 || columns > MOST) {
                throw new Refused("across", "A field is from 1 to " + MOST + " columns across.");
            }
            if (rows < 1 || rows > MOST) {
                throw new Refused("deep", "A field is from 1 to " + MOST + " rows deep.");
            }
        }
    }

    /** How many columns and rows fit; none where not even one does. */
    public Optional<Grid> grid(Box body) {
        var e = area.extent();
        var across = count(e.width(), pitchX(body), columns, aisleX, body.size().x());
        var deep = count(e.depth(), pitchY(body), rows, aisleY, body.size().y());
        return across < 1 || deep < 1 || across > Grid.MOST || deep > Grid.MOST
                ? Optional.empty()
                : Optional.of(new Grid(across, deep));
    }

    /**
     * The same over as much ground as so many columns and rows take; its least corner stays.
     *
     * @throws Refused where its ground is not a rectangle
     */
    public Field with(Grid grid, Box body) {
        if (area.rects().size() != 1) {
            throw new Refused("across", "This field fills ground that is no rectangle: it has as many as that holds.");
        }
        var e = area.extent();
        var width = start(grid.columns() - 1, pitchX(body), columns, aisleX)
                + body.size().x();
        var depth =
                start(grid.rows() - 1, pitchY(body), rows, aisleY) + body.size().y();
        return over(Region.of(new Rect(e.x0(), e.y0(), e.x0() + width, e.y0() + depth)));
    }

    private long pitchX(Box body) {
        return pitchX.isPositive() ? pitchX.um() : body.size().x();
    }

    private long pitchY(Box body) {
        return pitchY.isPositive() ? pitchY.um() : body.size().y();
    }

    /** How far the column, or row, of a number begins from the first. */
    private static long start(int i, long pitch, int every, Length aisle) {
        return i * pitch + (every > 0 ? i / every * aisle.um() : 0);
    }

    private static int count(long room, long pitch, int every, Length aisle, long size) {
        var n = 0;
        while (n <= Grid.MOST && start(n, pitch, every, aisle) + size <= room) {
            n++;
        }
        return n;
    }

    @Override
    public void lay(List<Box> bodies, Spots spots) {
        var body = bodies.get(0);
        var e = area.extent();
        var px = pitchX(body);
        var py = pitchY(body);
        if ((e.width() / px) * (double) (e.depth() / py) > 4_000_000) {
            throw new Refused(
                    "pitchXMm", "That would be millions of copies. Make the pitch wider or the area smaller.");
        }
        var plain = area.rects().size() == 1;
        for (var j = 0; ; j++) {
            var y = e.y0() + start(j, py, rows, aisleY);
            if (y + body.size().y() > e.y1()) {
                return;
            }
            var shift = staggered && j % 2 == 1 ? px / 2 : 0;
            for (var i = 0; ; i++) {
                var x = e.x0() + shift + start(i, px, columns, aisleX);
                if (x + body.size().x() > e.x1()) {
                    break;
                }
                if ((plain
                                || area.contains(Region.of(new Rect(
                                        x,
                                        y,
                                        x + body.size().x(),
                                        y + body.size().y()))))
                        && !(gaps > 0 && Chance.of(seed, i, j, 0) * 100 < gaps)) {
                    var high = stack == 1 ? 1 : 1 + (int) (Chance.of(seed, i, j, 1) * stack);
                    for (var k = 0; k < high; k++) {
                        spots.at(
                                (long) j << KEY_BITS | i,
                                k,
                                0,
                                x - body.min().x(),
                                y - body.min().y(),
                                z - body.min().z() + k * body.size().z(),
                                0,
                                0,
                                false);
                    }
                }
            }
        }
    }

    /** The same over another area. */
    public Field over(Region other) {
        return new Field(other, z, pitchX, pitchY, staggered, columns, aisleX, rows, aisleY, stack, gaps, seed);
    }

    @Override
    public Field movedBy(Vec by) {
        var moved = area.movedBy(by.x(), by.y());
        return new Field(
                moved, z + by.z(), pitchX, pitchY, staggered, columns, aisleX, rows, aisleY, stack, gaps, seed);
    }

    @Override
    public String label() {
        return "Field";
    }
}
