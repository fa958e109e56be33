package hausbau.core.budget;

import hausbau.core.measure.Fault;
import hausbau.core.measure.Refused;
import java.util.ArrayList;
import java.util.List;

/**
 * What a set may cost where it will be shown; 0 is no limit.
 *
 * @param textureBytes memory of all sheets on the graphics card
 * @param materials    distinct materials, @param sheets texture sheets
 * @param lamps        that are lit, all of which cast shadows, @param lampsAtOnce that light one place
 */
public record Budget(
        long triangles, long drawCalls, long textureBytes, long materials, long sheets, long lamps, long lampsAtOnce) {

    private static final String TRIANGLES = "triangles";
    public static final Budget NONE = new Budget(0, 0, 0, 0, 0, 0, 0);
    private static final long MOST = 1_000_000_000_000L;
    private static final long MEBIBYTE = 1024L * 1024;

    /** @throws Refused if one is below 0 or above 10^12 */
    public Budget {
        var faults = new ArrayList<Fault>();
        check(faults, "triangles", triangles);
        check(faults, "drawCalls", drawCalls);
        check(faults, "textureBytes", textureBytes);
        check(faults, "materials", materials);
        check(faults, "sheets", sheets);
        check(faults, "lamps", lamps);
        check(faults, "lampsAtOnce", lampsAtOnce);
        if (!faults.isEmpty()) {
            throw new Refused(faults);
        }
    }

    private static void check(ArrayList<Fault> faults, String field, long value) {
        if (value < 0 || value > MOST) {
            faults.add(new Fault(field, "A budget is from 0 (no limit) to a million million."));
        }
    }

    /** What is spent of one allowance. */
    public record Line(String what, long spent, long allowed) {

        public boolean isOver() {
            return allowed > 0 && spent > allowed;
        }
    }

    /**
     * What a set spends on triangles where one of its pieces would have others.
     *
     * @param tally of the set as it is, @param had that the piece has now, 0 for a new one
     * @param count how often the piece is seen; one that is seen nowhere yet counts as one more
     * @param would that it would have
     */
    public Line triangles(Tally tally, long count, int had, int would) {
        return new Line(TRIANGLES, tally.triangles() + (count == 0 ? would : count * (would - had)), triangles);
    }

    /** The tally against this budget; textures count as they are before they are compressed. */
    public List<Line> measure(Tally tally) {
        return List.of(
                new Line(TRIANGLES, tally.triangles(), triangles),
                new Line("draw calls", tally.drawCalls(), drawCalls),
                new Line("texture memory", tally.textures().plain(), textureBytes),
                new Line("materials", tally.materials(), materials),
                new Line("sheets", tally.materials(), sheets),
                new Line("lamps", tally.lamps(), lamps),
                new Line("lamps in one place", tally.lampsAtOnce(), lampsAtOnce));
    }

    /** Where a set is to be shown, with a budget to begin from. Common practice, no source. */
    public enum Target {
        HEADSET(new Budget(300_000, 100, 128 * MEBIBYTE, 20, 8, 8, 2)),
        DESKTOP(new Budget(5_000_000, 2_000, 1024 * MEBIBYTE, 100, 40, 200, 8)),
        FILM(new Budget(100_000_000, 50_000, 16_384 * MEBIBYTE, 1_000, 400, 5_000, 64)),
        OWN(NONE);

        private final Budget budget;

        Target(Budget budget) {
            this.budget = budget;
        }

        public Budget budget() {
            return budget;
        }
    }
}
