package hausbau.core.measure;

/** East, north or up. */
public enum Axis {
    X,
    Y,
    Z;

    /** The coordinate along it, micrometres. */
    public long of(Vec v) {
        return this == X ? v.x() : this == Y ? v.y() : v.z();
    }

    /** An offset along it, micrometres. */
    public Vec by(long um) {
        return new Vec(this == X ? um : 0, this == Y ? um : 0, this == Z ? um : 0);
    }
}
