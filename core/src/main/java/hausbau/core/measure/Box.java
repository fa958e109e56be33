package hausbau.core.measure;

/** An axis-aligned box in whole micrometres; it may be flat in any direction. */
public record Box(Vec min, Vec max) {

    public Box {
        if (min.x() > max.x() || min.y() > max.y() || min.z() > max.z()) {
            throw new IllegalArgumentException("a box's least corner must not lie above its greatest");
        }
    }

    /** The box with these two opposite corners, in any order. */
    public static Box spanning(Vec a, Vec b) {
        return new Box(
                new Vec(Math.min(a.x(), b.x()), Math.min(a.y(), b.y()), Math.min(a.z(), b.z())),
                new Vec(Math.max(a.x(), b.x()), Math.max(a.y(), b.y()), Math.max(a.z(), b.z())));
    }

    public static Box of(long x0, long y0, long z0, long x1, long y1, long z1) {
        return new Box(new Vec(x0, y0, z0), new Vec(x1, y1, z1));
    }

    public Vec size() {
        return max.minus(min);
    }

    /** Its footprint, at height 0. */
    public Box flat() {
        return new Box(min.withZ(0), max.withZ(0));
    }

    public Box movedBy(Vec by) {
        return new Box(min.plus(by), max.plus(by));
    }

    public Box grownBy(long um) {
        var by = new Vec(um, um, um);
        return new Box(min.minus(by), max.plus(by));
    }

    public Box union(Box o) {
        return new Box(
                new Vec(Math.min(min.x(), o.min.x()), Math.min(min.y(), o.min.y()), Math.min(min.z(), o.min.z())),
                new Vec(Math.max(max.x(), o.max.x()), Math.max(max.y(), o.max.y()), Math.max(max.z(), o.max.z())));
    }

    /** Whether the two share volume; touching faces do not count. */
    public boolean overlaps(Box o) {
        return overlapsInPlan(o) && min.z() < o.max.z() && o.min.z() < max.z();
    }

    /** Whether the two footprints share area; touching edges do not count. */
    public boolean overlapsInPlan(Box o) {
        return min.x() < o.max.x() && o.min.x() < max.x() && min.y() < o.max.y() && o.min.y() < max.y();
    }

    /** Whether the two share at least a point. */
    public boolean touches(Box o) {
        return min.x() <= o.max.x()
                && o.min.x() <= max.x()
                && min.y() <= o.max.y()
                && o.min.y() <= max.y()
                && min.z() <= o.max.z()
                && o.min.z() <= max.z();
    }

    /** What the two share.
     *
     * @throws IllegalArgumentException if they share no point */
    public Box intersection(Box o) {
        return Box.of(
                Math.max(min.x(), o.min.x()),
                Math.max(min.y(), o.min.y()),
                Math.max(min.z(), o.min.z()),
                Math.min(max.x(), o.max.x()),
                Math.min(max.y(), o.max.y()),
                Math.min(max.z(), o.max.z()));
    }

    public boolean contains(Box o) {
        return min.x() <= o.min.x()
                && min.y() <= o.min.y()
                && min.z() <= o.min.z()
                && max.x() >= o.max.x()
                && max.y() >= o.max.y()
                && max.z() >= o.max.z();
    }
}
