package hausbau.core.plane;

/**
 * A rectangle of the plan along the axes, in µm.
 *
 * @param x0 west, @param y0 south, @param x1 east, @param y1 north edge; west lies before east, south before north
 */
public record Rect(long x0, long y0, long x1, long y1) {

    public Rect {
        if (x0 >= x1 || y0 >= y1) {
            throw new IllegalArgumentException("A rectangle without area: " + x0 + " " + y0 + " " + x1 + " " + y1);
        }
    }

    public long width() {
        return x1 - x0;
    }

    public long depth() {
        return y1 - y0;
    }

    public Rect grown(long by) {
        return new Rect(x0 - by, y0 - by, x1 + by, y1 + by);
    }

    public Rect movedBy(long x, long y) {
        return new Rect(x0 + x, y0 + y, x1 + x, y1 + y);
    }

    public boolean overlaps(Rect o) {
        return x0 < o.x1 && o.x0 < x1 && y0 < o.y1 && o.y0 < y1;
    }

    public boolean touches(Rect o) {
        return x0 <= o.x1 && o.x0 <= x1 && y0 <= o.y1 && o.y0 <= y1;
    }
}
