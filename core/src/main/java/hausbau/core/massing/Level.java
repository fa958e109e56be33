package hausbau.core.massing;

import hausbau.core.measure.Fault;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import hausbau.core.measure.Unit;
import java.util.List;

/**
 * One storey.
 *
 * @param id     0 for the ground level, which every site has
 * @param floor  height of its floor, µm
 * @param storey from its floor to the floor above, slab included; 0.5 to 100 m
 */
public record Level(long id, String name, long floor, Length storey) {

    private static final Length LEAST = Length.ofMillimetres(500);
    private static final Length GREATEST = Length.ofMillimetres(100_000);

    /** The level that every site has: at height 0, one storey and a slab high. */
    public static Level ground(SiteSettings settings) {
        return new Level(0, "Ground", 0, settings.storey().plus(settings.wall()));
    }

    public Level named(String other) {
        return new Level(id, other, floor, storey);
    }

    /** The same level elsewhere. */
    public Level at(long newFloor) {
        return new Level(id, name, newFloor, storey);
    }

    /**
     * Two levels in one another's place, the lower one's floor first: what was stacked stays stacked.
     *
     * @param lower right under the other one
     */
    public static List<Level> swapped(Level lower, Level upper) {
        return List.of(
                upper.at(lower.floor()), lower.at(lower.floor() + upper.storey().um()));
    }

    /** @throws Refused if its storey or its floor is out of bounds */
    public Level checked(Unit unit) {
        if (storey.compareTo(LEAST) < 0 || storey.compareTo(GREATEST) > 0) {
            throw new Refused(List.of(new Fault(
                    "storeyMm",
                    "A storey must be from " + unit.format(LEAST) + " to " + unit.format(GREATEST) + " high.")));
        }
        if (Math.abs(floor) > 10 * GREATEST.um()) {
            throw new Refused("floorMm", "A floor must lie within 1 km of the ground.");
        }
        return this;
    }

    /** Where the floor above lies, µm. */
    public long top() {
        return floor + storey.um();
    }
}
