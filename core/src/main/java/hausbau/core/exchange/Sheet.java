package hausbau.core.exchange;

import hausbau.core.plane.Loop;
import hausbau.core.plane.Region;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.LongFunction;

/** A measured drawing as plain marks on layers, to be written in one format or another; millimetres, Y up. */
public final class Sheet {

    /** What a mark belongs to. */
    public enum Layer {
        /** What is cut, filled. */
        CUT,
        /** What is seen. */
        SEEN,
        /** What lies above the cut, dashed. */
        ABOVE,
        STAIRS,
        DIMENSIONS,
        NAMES;

        public String label() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    public record Spot(double x, double y) {}

    /** One mark. */
    public sealed interface Mark {

        Layer layer();

        /** Loops that bound an area together: even-odd. */
        record Area(Layer layer, List<List<Spot>> loops) implements Mark {}

        /** An open line. */
        record Stroke(Layer layer, List<Spot> spots) implements Mark {}

        /**
         * Words about a spot.
         *
         * @param height of its letters
         * @param upright whether it reads upward
         */
        record Words(Layer layer, Spot at, String words, double height, boolean upright) implements Mark {}
    }

    private static final double TICK = 60;
    /** Height of the letters of a dimension, mm. */
    static final double LETTERS = 125;
    /** Of a room's name. */
    static final double NAMES = 180;

    private final String title;
    private final List<Mark> marks = new ArrayList<>();

    public Sheet(String title) {
        this.title = title;
    }

    public String title() {
        return title;
    }

    public List<Mark> marks() {
        return List.copyOf(marks);
    }

    void area(Layer layer, Region region) {
        if (!region.isEmpty()) {
            marks.add(new Mark.Area(
                    layer, region.loops().stream().map(Sheet::spots).toList()));
        }
    }

    private static List<Spot> spots(Loop loop) {
        return loop.corners().stream().map(c -> spot(c.x(), c.y())).toList();
    }

    /** From whole micrometres. */
    static Spot spot(long x, long y) {
        return new Spot(x / 1000.0, y / 1000.0);
    }

    void stroke(Layer layer, Spot... spots) {
        marks.add(new Mark.Stroke(layer, List.of(spots)));
    }

    void words(Layer layer, Spot at, String words, double height, boolean upright) {
        marks.add(new Mark.Words(layer, at, words, height, upright));
    }

    /**
     * A chain of dimensions along an axis.
     *
     * @param ticks µm along it, rising
     * @param beside where it lies across, mm
     * @param words how a length, µm, is written
     */
    void chain(List<Long> ticks, double beside, boolean upright, LongFunction<String> words) {
        if (ticks.size() < 2) {
            return;
        }
        stroke(
                Layer.DIMENSIONS,
                on(ticks.get(0) / 1000.0, beside, upright),
                on(ticks.get(ticks.size() - 1) / 1000.0, beside, upright));
        for (var i = 0; i < ticks.size(); i++) {
            var at = ticks.get(i) / 1000.0;
            stroke(Layer.DIMENSIONS, on(at - TICK, beside - TICK, upright), on(at + TICK, beside + TICK, upright));
            if (i > 0) {
                words(
                        Layer.DIMENSIONS,
                        on(
                                (at + ticks.get(i - 1) / 1000.0) / 2,
                                upright ? beside - LETTERS : beside + LETTERS,
                                upright),
                        words.apply(ticks.get(i) - ticks.get(i - 1)),
                        LETTERS,
                        upright);
            }
        }
    }

    private static Spot on(double along, double across, boolean upright) {
        return upright ? new Spot(across, along) : new Spot(along, across);
    }
}
