package hausbau.core.standing;

import hausbau.core.fit.AllowedLengths;
import hausbau.core.fit.Filling;
import hausbau.core.fit.KindFronts;
import hausbau.core.fit.KitPlanner;
import hausbau.core.fit.KitQuestion;
import hausbau.core.fit.Run;
import hausbau.core.fit.Stretch;
import hausbau.core.massing.Massing;
import hausbau.core.measure.Length;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.Stream;

/**
 * Divides the clear sizes of rooms into tiles: one size for all if that is at least half a metre, else two.
 */
final class Tiling {

    private static final Length LEAST_SINGLE = Length.ofMillimetres(500);
    /** How far the search may go. Counted, not timed: the same site has the same tiles on every machine. */
    private static final long LOOKS = 500;
    /** How many of the narrowest clear sizes each try leaves out. Few tries: one costs up to half a second at a step of 1 mm. */
    private static final List<Integer> LEFT_OUT = List.of(0, 1, 3, 7);

    private final List<Length> sizes;
    private final Length step;
    private final boolean mirrored;

    /** @param mirrored whether tiles are laid alike from both sides of the middle */
    Tiling(Length step, List<Length> sizes, boolean mirrored) {
        this.mirrored = mirrored;
        this.step = step;
        this.sizes = sizes;
    }

    /** The tile sizes for all rooms of a massing; what is off the step does not count. */
    static List<Length> sizes(Massing massing, Length least, Length greatest) {
        return sizes(
                massing.settings().step(),
                clear(massing),
                massing.settings().tiles().mirrored(),
                least,
                greatest);
    }

    /** What tiles have to come to, each length once. */
    static List<Length> clear(Massing massing) {
        var step = massing.settings().step();
        return massing.rooms().stream()
                .flatMap(room -> Stream.of(massing.floor(room), massing.ceiling(room)))
                .flatMap(ground -> ground.rows().stream())
                .flatMap(r -> Stream.of(new Length(r.width()), new Length(r.depth())))
                .filter(l -> l.isMultipleOf(step))
                .distinct()
                .sorted()
                .toList();
    }

    /**
     * Those that all clear sizes come to; where there are none, those that all but a few of the narrowest come to.
     *
     * @param clear in whole steps, rising
     */
    static List<Length> sizes(Length step, List<Length> clear, boolean mirrored, Length least, Length greatest) {
        return LEFT_OUT.stream()
                .filter(narrowest -> narrowest < clear.size())
                .map(narrowest -> clear.subList(narrowest, clear.size()))
                .map(some ->
                        mirrored ? commonMirrored(step, some, least, greatest) : common(step, some, least, greatest))
                .filter(sizes -> !sizes.isEmpty())
                .findFirst()
                .orElse(List.of());
    }

    private static List<Length> common(Length step, List<Length> clear, Length least, Length greatest) {
        var runs = clear.stream().map(l -> new Run("", l, List.of())).toList();
        var options = KitPlanner.looking(LOOKS)
                .plan(new KitQuestion(step, least, greatest, 2, runs))
                .options();
        if (options.isEmpty()) {
            return List.of();
        }
        return singleOr(options.get(0).kinds(), options.get(options.size() - 1).kinds());
    }

    private static List<Length> singleOr(List<Length> single, List<Length> two) {
        var singleWillDo = single.size() == 1 && single.get(0).compareTo(LEAST_SINGLE) >= 0;
        return singleWillDo ? single : two;
    }

    private static List<Length> commonMirrored(Length step, List<Length> clear, Length least, Length greatest) {
        var stretches = new TreeMap<Stretch, Long>();
        clear.forEach(l -> stretches.put(new Stretch(steps(l, step), true), 1L));
        var fronts = new KindFronts(
                AllowedLengths.between(steps(least.ceilTo(step), step), steps(greatest.floorTo(step), step)));
        var none = Collections.<Integer>emptySortedSet();
        if (!stretches.keySet().stream().allMatch(s -> fronts.canFill(s, none))) {
            return List.of();
        }
        var left = new long[] {LOOKS};
        var front = fronts.ofStretches(stretches, none, 2, () -> --left[0] < 0);
        return singleOr(lengths(front.lengths(1), step), lengths(front.lengths(2), step));
    }

    private static int steps(Length length, Length step) {
        return Math.toIntExact(length.um() / step.um());
    }

    private static List<Length> lengths(List<Integer> steps, Length step) {
        return steps.stream().map(step::times).toList();
    }

    /**
     * The tiles along a clear size, in order. A size that the tiles do not come to has one odd tile at its far end: the
     * rest, together with the last whole tile where the rest alone would be less than half of that.
     */
    List<Length> tiles(Length size) {
        if (sizes.isEmpty()) {
            return List.of(size);
        }
        return mirrored ? fromTheMiddle(size) : fromOneEnd(size);
    }

    /** Where whole tiles do not come to it, the first and the last are cut alike: to more than half a tile, as tilers do. */
    private List<Length> fromTheMiddle(Length size) {
        var whole = new Filling(step, sizes, size).fillMirrored(size);
        var tile = sizes.get(0);
        var count = size.um() / tile.um();
        var cut = size.um() - (count - 1) * tile.um();
        if (whole.isPresent() || count == 0 || cut % 2 != 0) {
            return whole.orElseGet(() -> fromOneEnd(size));
        }
        var tiles = new ArrayList<Length>();
        tiles.add(new Length(cut / 2));
        for (var i = 1; i < count; i++) {
            tiles.add(tile);
        }
        tiles.add(new Length(cut / 2));
        return tiles;
    }

    private List<Length> fromOneEnd(Length size) {
        var whole = new Filling(step, sizes, size).fill(size);
        if (whole.isPresent()) {
            return whole.get();
        }
        var tile = sizes.get(0);
        var count = size.um() / tile.um();
        var rest = size.minus(tile.times(count));
        var tiles = new ArrayList<Length>();
        for (var i = 0; i < count; i++) {
            tiles.add(tile);
        }
        if (count > 0 && rest.um() * 2 < tile.um()) {
            rest = rest.plus(tiles.remove(tiles.size() - 1));
        }
        if (rest.isPositive()) {
            tiles.add(rest);
        }
        return tiles;
    }

    /** How many tiles that would be, without listing them. */
    long count(Length size) {
        return sizes.isEmpty() ? 1 : size.um() / sizes.get(sizes.size() - 1).um() + 2;
    }
}
