package hausbau.core.light;

/**
 * What the air takes from what is seen through it, and gives in its own colour.
 *
 * @param visibility how far one sees, metres: what is black has 2 % of contrast left there; 0 where the air takes nothing
 * @param height     over which it thins to 37 %, metres; 0 where it is as dense at every height
 * @param patchiness percent by which it is thicker and thinner from place to place: 0 is even, 100 at most
 * @param shafts     how much of the sun's light that falls through it is seen, percent of what there is: 0 to 500
 */
public record Air(double visibility, double height, String colour, int patchiness, int shafts) {

    public Air {
        var check = new Range("air");
        check.within("visibility", visibility, 0, 100_000);
        check.within("height", height, 0, 10_000);
        check.colour("colour", colour);
        check.within("patchiness", patchiness, 0, 100);
        check.within("shafts", shafts, 0, 500);
        check.refuse();
    }

    /** Even, and without shafts of sunlight. */
    public Air(double visibility, double height, String colour) {
        this(visibility, height, colour, 0, 0);
    }

    /** Extinction for each metre at the ground: ln 50 by the visibility (Koschmieder). */
    public double extinction() {
        return visibility == 0 ? 0 : Math.log(50) / visibility;
    }

    /** What is left of light after so many metres at the ground (Beer and Lambert). */
    public double left(double metres) {
        return Math.exp(-extinction() * metres);
    }
}
