package hausbau.core.standing;

import hausbau.core.fit.Run;
import hausbau.core.kit.Kind;
import hausbau.core.kit.Sides;
import hausbau.core.massing.Post;
import hausbau.core.massing.WallRun;
import hausbau.core.measure.Length;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * How walls and posts are stacked: whatever stands across a joint is cut there, so that joints of neighbouring walls run through.
 *
 * @param joints  heights above the site's zero, µm, rising; none where every piece reaches from floor to ceiling
 * @param lengths what pieces of a tier may be long, falling
 */
public record Tiers(List<Long> joints, Map<Size, List<Length>> lengths) {

    /** Pieces that can stand for one another: of one height and thickness, and under the same patterns. */
    public record Size(Length height, Length depth, Sides sides) {

        /** Smallest first. */
        public static final Comparator<Size> ORDER = Comparator.comparing(Size::height)
                .thenComparing(Size::depth)
                .thenComparingLong(s -> s.sides().front())
                .thenComparingLong(s -> s.sides().back());

        /** Of walls under the site's pattern, their backs not dressed. */
        public Size(Length height, Length depth) {
            this(height, depth, Sides.PLAIN);
        }

        /** Of a wall's pieces in one layer. */
        public static Size of(WallRun run, Layer layer) {
            var sides = run.dressing().between(layer.foot(), layer.top());
            return new Size(layer.height(), run.depth(), sides.isSetFromBehind() ? sides.turned() : sides);
        }

        /** Of a wall's piece. */
        static Size of(Kind wall) {
            var size = wall.box().size();
            return new Size(new Length(size.z()), new Length(size.y()), wall.sides());
        }
    }

    /** A stretch of height between two joints, µm above the site's zero. */
    public record Layer(long foot, long top) {

        public Length height() {
            return new Length(top - foot);
        }
    }

    public static final Tiers NONE = new Tiers(List.of(), Map.of());

    public Tiers {
        joints = joints.stream().distinct().sorted().toList();
        lengths = Map.copyOf(lengths);
    }

    /** What pieces of a size may be long, if anything was chosen for them; choices from before sizes told their patterns name the site's for all. */
    Optional<List<Length>> lengths(Size size) {
        return Optional.ofNullable(lengths.get(size))
                .or(() -> Optional.ofNullable(lengths.get(new Size(size.height(), size.depth()))));
    }

    /** Between two heights from bottom to top, µm above the site's zero. */
    public List<Layer> layers(long foot, long top) {
        var cuts = Stream.concat(Stream.of(foot, top), joints.stream().filter(j -> j > foot && j < top))
                .sorted()
                .toList();
        var layers = new ArrayList<Layer>();
        for (var i = 1; i < cuts.size(); i++) {
            layers.add(new Layer(cuts.get(i - 1), cuts.get(i)));
        }
        return layers;
    }

    /** The layers of a run's wall. */
    List<Layer> layers(WallRun run) {
        return layers(
                run.whole(), run.start().z(), run.start().z() + run.height().um());
    }

    /** The layers of a post. */
    List<Layer> layers(Post post) {
        return layers(post.whole(), post.box().min().z(), post.box().max().z());
    }

    private List<Layer> layers(boolean isWhole, long foot, long top) {
        return isWhole ? List.of(new Layer(foot, top)) : layers(foot, top);
    }

    /** The least stack of whole layers that holds an opening's panel with wall enough below and above the clear opening. */
    Layer stack(WallRun run, WallRun.Panel panel) {
        var layers = layers(run);
        var foot = run.start().z();
        var low = layers.stream()
                .mapToLong(Layer::foot)
                .filter(z -> panel.canBeginAt(new Length(z - foot)))
                .max()
                .orElse(foot);
        var high = layers.stream()
                .mapToLong(Layer::top)
                .filter(z -> panel.canEndAt(new Length(z - foot)))
                .min()
                .orElse(foot + run.height().um());
        return new Layer(low, high);
    }

    /** What is left of a run in one layer beside the panels that take it. */
    Run between(WallRun run, Layer layer) {
        var crossing = run.panels().stream()
                .filter(p -> {
                    var stack = stack(run, p);
                    return stack.foot() < layer.top() && stack.top() > layer.foot();
                })
                .toList();
        return run.with(crossing).run();
    }
}
