package hausbau.core.measure;

/** A point or an offset in whole micrometres: X east, Y north, Z up. */
public record Vec(long x, long y, long z) {

    public static final Vec ZERO = new Vec(0, 0, 0);

    public static Vec of(Length x, Length y, Length z) {
        return new Vec(x.um(), y.um(), z.um());
    }

    /** Whole millimetres. */
    public static Vec ofMillimetres(long x, long y, long z) {
        return new Vec(x * 1000, y * 1000, z * 1000);
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
