package hausbau.core.light;

import hausbau.core.shape.Point;

/**
 * A place that light comes from; what is long or wide is several of them.
 *
 * @param at        metres
 * @param way       the middle of its cone, across its panel, or along its tube; one long
 * @param candela   where it shines most
 * @param cosine    of half of a spot's cone, outside of which nothing is lit
 * @param reach     metres
 */
public record Emitter(Lamp.Kind kind, Point at, Point way, Rgb candela, double cosine, double reach) {

    /** From here to the edge of a cone, as shares of half of it, light falls off. */
    private static final double SOFT = 0.8;

    /** What is nearer is lit as from here, metres: a lamp has a size. */
    private static final double NEAREST = 0.02;

    /** What so many lumens come to where it shines most, candela. @param cosine of half of a spot's cone */
    public static double candela(Lamp.Kind kind, double lumens, double cosine) {
        return switch (kind) {
            case POINT -> lumens / (4 * Math.PI);
            // The soft edge, a smooth step in the cosine, holds half of what it covers.
            case SPOT -> lumens / (2 * Math.PI * (1 - (inner(cosine) + cosine) / 2));
            case LINE -> lumens / (Math.PI * Math.PI);
            case PANEL -> lumens / Math.PI;
        };
    }

    /** Where a cone's soft edge begins, as a cosine. */
    static double inner(double cosine) {
        return Math.cos(SOFT * Math.acos(cosine));
    }

    /** How much of what it gives where it shines most it gives to a way. @param cosine between that way and its own */
    public double share(double cos) {
        return switch (kind) {
            case POINT -> 1;
            case SPOT -> {
                var t = Math.max(0, Math.min(1, (cos - cosine) / (inner(cosine) - cosine)));
                yield t * t * (3 - 2 * t);
            }
            case LINE -> Math.sqrt(Math.max(0, 1 - cos * cos));
            case PANEL -> Math.max(0, cos);
        };
    }

    /**
     * By how much its candela are multiplied to come to lux on what faces it: inverse squares, brought to nothing at its reach as
     * KHR_lights_punctual recommends.
     */
    public double onFacing(double distance) {
        var far = distance / reach;
        var window = Math.max(0, 1 - far * far * far * far);
        var d = Math.max(NEAREST, distance);
        return window / (d * d);
    }
}
