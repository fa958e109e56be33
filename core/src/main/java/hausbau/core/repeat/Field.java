package hausbau.core.repeat;

import hausbau.core.measure.Box;
import hausbau.core.measure.Chance;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Vec;
import hausbau.core.plane.Rect;
import hausbau.core.plane.Region;
import java.util.List;

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

    @Override
    public void lay(List<Box> bodies, Spots spots) {
        var body = bodies.get(0);
        var e = area.extent();
        var px = pitchX.isPositive() ? pitchX.um() : body.size().x();
        var py = pitchY.isPositive() ? pitchY.um() : body.size().y();
        if ((e.width() / px) * (double) (e.depth() / py) > 4_000_000) {
            throw new Refused(
                    "pitchXMm", "That would be millions of copies. Make the pitch wider or the area smaller.");
        }
        var plain = area.rects().size() == 1;
        for (var j = 0; ; j++) {
            var y = e.y0() + j * py + (rows > 0 ? j / rows * aisleY.um() : 0);
            if (y + body.size().y() > e.y1()) {
                return;
            }
            var shift = staggered && j % 2 == 1 ? px / 2 : 0;
            for (var i = 0; ; i++) {
                var x = e.x0() + shift + i * px + (columns > 0 ? i / columns * aisleX.um() : 0);
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
