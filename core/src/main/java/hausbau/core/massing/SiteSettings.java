package hausbau.core.massing;

import hausbau.core.measure.Fault;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Unit;
import java.util.ArrayList;

/**
 * What a site is worked with.
 *
 * @param unit           how lengths are written
 * @param step           the planning grid's pitch; 1 mm to 100 m
 * @param wall           wall and slab thickness; 10 mm to 5 m
 * @param storey         storey height, the height of a new room; 0.5 to 100 m
 * @param pixelsPerMetre texel density; 1 to 65536
 * @param tiles          how floor and ceiling tiles are set down
 * @param skins          whether a wall between two rooms is built as two skins back to back, each facing one of them, instead
 *                       of through pieces that face both
 * @param guardDrop      where one could fall farther than this, a guard stands; 0.1 to 100 m
 * @param corners        how walls meet; legs of 10 mm to 5 m
 * @param facing         which sides of walls are dressed, and with what where they look outside
 */
public record SiteSettings(
        Unit unit,
        Length step,
        Length wall,
        Length storey,
        int pixelsPerMetre,
        Tiles tiles,
        boolean skins,
        Length guardDrop,
        Corners corners,
        Facing facing) {

    /**
     * @param byCentre whether tiles have their pivot at the centre instead of a corner
     * @param turned   whether they are turned by quarters, by where they lie, so that neighbours differ
     * @param mirrored whether they are laid alike from both sides of a floor's middle
     */
    public record Tiles(boolean byCentre, boolean turned, boolean mirrored) {}

    /**
     * @param bothSides whether a wall is dressed on each side by what lies there, instead of on its room's side alone
     * @param outside   the pattern of sides that look outside; 0 for the site's
     */
    public record Facing(boolean bothSides, long outside) {

        /** Walls are dressed on their room's side. */
        public static final Facing ROOMS = new Facing(false, 0);
    }

    public SiteSettings(
            Unit unit,
            Length step,
            Length wall,
            Length storey,
            int pixelsPerMetre,
            boolean tilesByCentre,
            boolean skins,
            Length guardDrop,
            Corners corners) {
        this(
                unit,
                step,
                wall,
                storey,
                pixelsPerMetre,
                new Tiles(tilesByCentre, false, false),
                skins,
                guardDrop,
                corners,
                Facing.ROOMS);
    }

    static final Length LEAST_WALL = Length.ofMillimetres(10);
    static final Length GREATEST_WALL = Length.ofMillimetres(5_000);
    /** Common practice, no source. */
    private static final Length USUAL_DROP = Length.ofMillimetres(750);

    public static final SiteSettings USUAL = new SiteSettings(
            Unit.METRE,
            Length.ofMillimetres(100),
            Length.ofMillimetres(200),
            Length.ofMillimetres(3000),
            256,
            false,
            false,
            USUAL_DROP,
            Corners.POSTS);

    public SiteSettings {
        var faults = new ArrayList<Fault>();
        check(faults, "stepMm", "step", unit, step, 1, 100_000);
        check(faults, "wallMm", "wall thickness", unit, wall, 10, 5_000);
        check(faults, "storeyMm", "storey height", unit, storey, 500, 100_000);
        check(faults, "guardDropMm", "drop without a guard", unit, guardDrop, 100, 100_000);
        check(faults, "cornerLegMm", "leg of a corner piece", unit, corners.leg(), 10, 5_000);
        if (pixelsPerMetre < 1 || pixelsPerMetre > 65_536) {
            faults.add(new Fault("pixelsPerMetre", "The texel density must be from 1 to 65536 pixels per metre."));
        }
        if (!faults.isEmpty()) {
            throw new Refused(faults);
        }
    }

    private static void check(
            ArrayList<Fault> faults, String field, String what, Unit unit, Length value, long least, long most) {
        var from = Length.ofMillimetres(least);
        var to = Length.ofMillimetres(most);
        if (value.compareTo(from) < 0 || value.compareTo(to) > 0) {
            faults.add(new Fault(
                    field, "The " + what + " must be from " + unit.format(from) + " to " + unit.format(to) + "."));
        }
    }

    /** The same with corners built this way. */
    public SiteSettings with(Corners others) {
        return new SiteSettings(unit, step, wall, storey, pixelsPerMetre, tiles, skins, guardDrop, others, facing);
    }

    /** The same on another step, whether or not everything else is on it. */
    SiteSettings on(Length otherStep) {
        return new SiteSettings(
                unit, otherStep, wall, storey, pixelsPerMetre, tiles, skins, guardDrop, corners, facing);
    }

    /** The same with walls as skins, or through. */
    public SiteSettings withSkins(boolean asSkins) {
        return new SiteSettings(unit, step, wall, storey, pixelsPerMetre, tiles, asSkins, guardDrop, corners, facing);
    }

    /** The same with walls dressed this way. */
    public SiteSettings with(Facing other) {
        return new SiteSettings(unit, step, wall, storey, pixelsPerMetre, tiles, skins, guardDrop, corners, other);
    }

    /** The same with tiles set down this way. */
    public SiteSettings with(Tiles other) {
        return new SiteSettings(unit, step, wall, storey, pixelsPerMetre, other, skins, guardDrop, corners, facing);
    }
}
