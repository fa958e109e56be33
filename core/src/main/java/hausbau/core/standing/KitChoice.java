package hausbau.core.standing;

import hausbau.core.fit.FilledRun;
import hausbau.core.fit.KitQuestion;
import hausbau.core.fit.Run;
import hausbau.core.massing.Massing;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Length;
import hausbau.core.measure.Refused;
import java.util.Collections;
import java.util.List;

/**
 * The kit that was chosen for a site: all that the planner found, so that nothing is searched for again when the set is
 * built from it.
 *
 * @param step     the step it was worked out on; the kinds are whole numbers of it
 * @param kinds    wall lengths, falling
 * @param tiles    sizes of floor and ceiling tiles, falling; empty where no tiles fit
 * @param minPiece least and
 * @param maxPiece greatest length allowed when it was worked out
 */
public record KitChoice(Length step, List<Length> kinds, List<Length> tiles, Length minPiece, Length maxPiece) {

    public KitChoice {
        kinds = falling(kinds);
        tiles = falling(tiles);
    }

    private static List<Length> falling(List<Length> lengths) {
        return lengths.stream().distinct().sorted(Collections.reverseOrder()).toList();
    }

    /**
     * These wall lengths for this massing, with the tile sizes that go with them.
     *
     * @throws Refused if there is no room, a kind is off the step, or the kinds do not fill every run
     */
    public static KitChoice of(Massing massing, List<Length> kinds, Length minPiece, Length maxPiece) {
        var question = question(massing, minPiece, maxPiece, Math.max(1, Math.min(8, kinds.size())));
        if (kinds.isEmpty() || kinds.size() > 8) {
            throw new Refused("kindsMm", "Choose from 1 to 8 kinds.");
        }
        for (var kind : kinds) {
            if (!kind.isPositive() || !kind.isMultipleOf(question.step())) {
                throw new Refused(
                        "kindsMm",
                        "A kind of " + massing.settings().unit().format(kind) + " is not a whole number of steps.");
            }
        }
        for (var run : question.runs()) {
            if (FilledRun.of(question.step(), run, kinds).isEmpty()) {
                throw new Refused("kindsMm", "These kinds do not fill “" + run.name() + "”. Work out the kit again.");
            }
        }
        return new KitChoice(question.step(), kinds, tiles(massing, minPiece, maxPiece), minPiece, maxPiece);
    }

    /** The tile sizes that go with a massing's rooms. */
    public static List<Length> tiles(Massing massing, Length minPiece, Length maxPiece) {
        return Tiling.sizes(massing, minPiece, maxPiece);
    }

    /**
     * What the planner is asked for a massing.
     *
     * @throws Refused if there is no room, or a bound of the question is not kept
     */
    public static KitQuestion question(Massing massing, Length minPiece, Length maxPiece, int maxKinds) {
        if (massing.rooms().isEmpty()) {
            throw new Refused("rooms", "There is no room to build yet. Type or draw one first.");
        }
        List<Run> runs = massing.runs().stream().map(WallRun::run).toList();
        return new KitQuestion(massing.settings().step(), minPiece, maxPiece, maxKinds, runs);
    }

    /** Whether the site's step is still the one this was worked out on. */
    public boolean fits(Massing massing) {
        return step.equals(massing.settings().step());
    }
}
