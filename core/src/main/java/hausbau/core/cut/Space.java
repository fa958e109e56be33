package hausbau.core.cut;

import hausbau.core.shape.Facet;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What is inside a closed body and what is outside, as planes that part space again and again (Fuchs, Kedem and Naylor,
 * On visible surface generation by a priori tree structures, 1980; Naylor, Amanatides and Thibault, 1990, from memory).
 */
final class Space {

    /** How many planes are tried before one is taken. */
    private static final int TRIED = 8;

    /** Where there is nothing above it is outside, and where there is nothing below it is inside. */
    private static final class Node {
        final Plane plane;

        @Nullable
        Node above;

        @Nullable
        Node below;

        Node(Plane plane) {
            this.plane = plane;
        }
    }

    private record Work(Node under, boolean isAbove, List<Facet> facets) {}

    private final @Nullable Node root;

    /** @param facets of a closed body, or what of them lies in a convex space, where alone it is then asked about */
    Space(List<Facet> facets) {
        var work = new ArrayDeque<Work>();
        root = node(facets, work);
        while (!work.isEmpty()) {
            var next = work.pop();
            var node = node(next.facets, work);
            if (next.isAbove) {
                next.under.above = node;
            } else {
                next.under.below = node;
            }
        }
    }

    /** Whether no plane parts it: nothing is known of it. */
    boolean isBlank() {
        return root == null;
    }

    private static @Nullable Node node(List<Facet> facets, ArrayDeque<Work> work) {
        var plane = choose(facets);
        if (plane == null) {
            return null;
        }
        var above = new ArrayList<Facet>();
        var below = new ArrayList<Facet>();
        for (var facet : facets) {
            var sides = plane.part(facet);
            sides.above().ifPresent(above::add);
            sides.below().ifPresent(below::add);
        }
        var node = new Node(plane);
        if (!above.isEmpty()) {
            work.push(new Work(node, true, above));
        }
        if (!below.isEmpty()) {
            work.push(new Work(node, false, below));
        }
        return node;
    }

    /** One that parts few faces, and leaves as many above as below. */
    private static @Nullable Plane choose(List<Facet> facets) {
        Plane best = null;
        var least = Integer.MAX_VALUE;
        for (var t = 0; t < Math.min(TRIED, facets.size()); t++) {
            var plane = Plane.of(facets.get((int) ((long) t * facets.size() / Math.min(TRIED, facets.size()))))
                    .orElse(null);
            if (plane == null) {
                continue;
            }
            var above = 0;
            var below = 0;
            var parted = 0;
            for (var i = 0; i < facets.size(); i += 1 + facets.size() / 200) {
                var isAbove = false;
                var isBelow = false;
                for (var corner : facets.get(i).corners()) {
                    var height = plane.above(corner);
                    isAbove |= height > Plane.NEAR;
                    isBelow |= height < -Plane.NEAR;
                }
                above += isAbove ? 1 : 0;
                below += isBelow ? 1 : 0;
                parted += isAbove && isBelow ? 1 : 0;
            }
            var cost = Math.abs(above - below) + 8 * parted;
            if (cost < least) {
                least = cost;
                best = plane;
            }
        }
        return best == null
                ? facets.stream().flatMap(f -> Plane.of(f).stream()).findFirst().orElse(null)
                : best;
    }

    /**
     * What of a face lies inside, or outside; it is the face itself where all of it does.
     *
     * @param behind whether what lies on this body's surface counts as what is behind the face does, else as what is before it
     */
    List<Facet> keep(Facet facet, boolean inside, boolean behind) {
        return keep(root, facet, Plane.of(facet).orElse(null), inside, behind);
    }

    private static List<Facet> keep(
            @Nullable Node from, Facet facet, @Nullable Plane own, boolean inside, boolean behind) {
        var node = from;
        var isInside = false;
        while (node != null) {
            var sides = node.plane.part(facet);
            if (sides.above().isPresent() && sides.below().isPresent()) {
                var above = node.above == null
                        ? inside ? List.<Facet>of() : List.of(sides.above().get())
                        : keep(node.above, sides.above().get(), own, inside, behind);
                var below = node.below == null
                        ? inside ? List.of(sides.below().get()) : List.<Facet>of()
                        : keep(node.below, sides.below().get(), own, inside, behind);
                if (isWhole(above, sides.above().get())
                        && isWhole(below, sides.below().get())) {
                    return List.of(facet);
                }
                var both = new ArrayList<>(above);
                both.addAll(below);
                return both;
            }
            var isAbove = sides.above().isPresent()
                    || sides.below().isEmpty() && own != null && own.normal().dot(node.plane.normal()) > 0 != behind;
            isInside = !isAbove;
            node = isAbove ? node.above : node.below;
        }
        return isInside == inside ? List.of(facet) : List.of();
    }

    private static boolean isWhole(List<Facet> kept, Facet facet) {
        return kept.size() == 1 && kept.get(0) == facet;
    }
}
