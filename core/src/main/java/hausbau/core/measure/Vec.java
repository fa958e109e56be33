package hausbau.core.measure;

/** A point or an offset in whole micrometres: X east, Y north, Z up; at most 1000 km either way, as a {@link Length}. */
public record Vec(long x, long y, long z) {

    public static final Vec ZERO = new Vec(0, 0, 0);

    /** @throws OutOfBounds if a coordinate lies beyond {@link Length#LIMIT_UM} */
    public Vec {
        if (isBeyond(x) || isBeyond(y) || isBeyond(z)) {
            throw new OutOfBounds("a place must lie within 1000 km");
        }
    }

    private static boolean isBeyond(long um) {
        return um > Length.LIMIT_UM || um < -Length.LIMIT_UM;
    }

    public static Vec of(Length x, Length y, Length z) {
        return new Vec(x.um(), y.um(), z.um());
    }

    /** Whole millimetres. */
    public static Vec ofMillimetres(long x, long y, long z) {
        return of(Length.ofMillimetres(x), Length.ofMillimetres(y), Length.ofMillimetres(z));
    }

    public Vec plus(Vec other) {
        return new Vec(x + other.x, y + other.y, z + other.z);
    }

    public Vec minus(Vec other) {
        return new Vec(x - other.x, y - other.y, z - other.z);
    }

    public Vec withZ(long newZ) {
        return new Vec(x, y, newZ);
    }
}
